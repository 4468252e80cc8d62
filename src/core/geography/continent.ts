/**
 * Countries by continent, as an atlas groups them. Source: GeoNames, as the npm package `countries-list` carries it;
 * compared with it in tests/published.
 */
export const continents: readonly { id: string; name: string; countries: readonly string[] }[] = [
  {
    id: 'EU',
    name: 'Europe',
    countries:
      'AD AL AT AX BA BE BG BY CH CY CZ DE DK EE ES FI FO FR GB GG GI GR HR HU IE IM IS IT JE LI LT LU LV MC MD ME MK MT NL NO PL PT RO RS SE SI SJ SK SM UA VA',
  },
  {
    id: 'AS',
    name: 'Asia',
    countries:
      'AE AF AM AZ BD BH BN BT CC CN CX GE HK ID IL IN IO IQ IR JO JP KG KH KP KR KW KZ LA LB LK MM MN MO MV MY NP OM PH PK PS QA RU SA SG SY TH TJ TM TR TW UZ VN YE',
  },
  {
    id: 'NA',
    name: 'North America',
    countries:
      'AG AI AW BB BL BM BQ BS BZ CA CR CU CW DM DO GD GL GP GT HN HT JM KN KY LC MF MQ MS MX NI PA PM PR SV SX TC TT US VC VG VI',
  },
  { id: 'SA', name: 'South America', countries: 'AR BO BR CL CO EC FK GF GY PE PY SR UY VE' },
  {
    id: 'AF',
    name: 'Africa',
    countries:
      'AO BF BI BJ BW CD CF CG CI CM CV DJ DZ EG EH ER ET GA GH GM GN GQ GW KE KM LR LS LY MA MG ML MR MU MW MZ NA NE NG RE RW SC SD SH SL SN SO SS ST SZ TD TG TN TZ UG YT ZA ZM ZW',
  },
  {
    id: 'OC',
    name: 'Oceania',
    countries: 'AS AU CK FJ FM GU KI MH MP NC NF NR NU NZ PF PG PN PW SB TK TL TO TV UM VU WF WS',
  },
  { id: 'AN', name: 'Antarctica', countries: 'AQ BV GS HM TF' },
].map(({ countries, ...continent }) => ({ ...continent, countries: countries.split(' ') }));
