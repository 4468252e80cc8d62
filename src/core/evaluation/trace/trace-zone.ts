import type { PreparedCase } from '../prepare.ts';
import { node, setBy, text, type TraceNode } from '../../trace/trace.ts';

/** Market and zone, and by what they were found. */
export function traceZone({ found: place, input, regionByPostcode }: PreparedCase): TraceNode {
  const { destination, market: chosen } = input;
  const { country, region, postcode } = destination;
  const inputs = {
    country: text(country),
    region: text(regionByPostcode ? `${region}, told by its postcode` : (region ?? 'none given')),
    postcode: text(postcode || 'none given'),
  };
  if (!place.market)
    return node(
      'zone',
      chosen === undefined ? '{country} belongs to no market' : 'There is no market “{chosen}”',
      { ...inputs, chosen: text(chosen ?? '') },
      text('no market'),
    );
  const market = { ...inputs, market: text(place.market.market.name) };
  const belongs = chosen === undefined ? '{country} belongs to {market}' : '{market} was chosen';
  if (!place.found)
    return setBy(
      {
        kind: 'market',
        id: place.market.id,
      },
      node('zone', `${belongs}, but no zone of it covers this destination`, market, text('no zone')),
    );
  const how = {
    wholeMarket: 'which covers the whole market',
    country: 'which names that country',
    region: 'which names that region',
    postcodes: 'which names that postcode',
    radius: 'which lies within that distance',
  }[place.by];
  return setBy(
    { kind: 'zone', id: place.zone.id },
    node(
      'zone',
      `${belongs}; its zone is {outcome}, ${how}`,
      { ...market, by: text(place.by) },
      text(place.zone.zone.name),
    ),
  );
}
