import type { LanguageWords } from './language-words.ts';

export const ja: LanguageWords = {
  delivery: /送料|配送|発送|宅配|お届け|郵送|航空便/u,
  free: /無料|負担|(?:^|\D)0円|かかりません|送料サービス|いただきません/u,
  elsewhere: /返品|割引|円引|引き(?!取)|ギフトカード|商品券/u,
  from: /合計(?:金額が)?(?:税込)?$|税込$/gu,
  orMore: /^\s*(?:（税込）|\(税込\))?\s*(?:以上|を超え|から(?:は|の?送料|、送料)|に達する|より)/u,
  below: /(?!)/gu,
  orLess: /^\s*(?:（税込）|\(税込\))?\s*(?:未満|以下|まで)/u,
  costs: /(?:送料|配送料|手数料|一律)(?:は|として|：|:)?\s*$|[：:は]\s*$/gu,
  instead: /通常$|(?!)/u,
  otherwise: /それ(?:未満|以外|以下)/u,
  to: /から|[-–—~〜～－ー]/u,
  perKilo: /(?:1|１)?\s*(?:kg|キロ(?:グラム)?)(?:あたり|につき|ごと)|\/ ?(?:kg|キロ)/u,
  until: /(?!)/u,
  untilAfter: /^\s*(?:\(.\)|（.）)?\s*まで/u,
};
