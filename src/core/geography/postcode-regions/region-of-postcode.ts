import type { Destination } from '../../policy/types.ts';
import { normalPostcode } from '../postcode.ts';
import { australia } from './australia.ts';
import { brazil } from './brazil.ts';
import { canada } from './canada.ts';
import { mexico } from './mexico.ts';
import { readScheme, type PostcodeScheme } from './scheme.ts';
import { turkey } from './turkey.ts';
import { unitedStates } from './united-states.ts';

export const postcodeSchemes: readonly PostcodeScheme[] = [australia, brazil, canada, mexico, turkey, unitedStates];

const schemeOf = new Map(postcodeSchemes.map((scheme) => [scheme.country, scheme]));
/** Read when a country is first asked for. */
const readers = new Map<string, ReturnType<typeof readScheme>>();

/**
 * The region (ISO 3166-2) in which a postcode lies, where the country's scheme tells it.
 *
 * @param normal the postcode as it is compared
 */
export function regionOfPostcode(country: string, normal: string): string | undefined {
  const scheme = schemeOf.get(country);
  if (!scheme || normal === '') return undefined;
  let read = readers.get(country);
  if (!read) readers.set(country, (read = readScheme(scheme)));
  return read(normal);
}

/** A destination as it is asked about. */
export interface Located {
  /** with the region that its postcode tells; a region that is given stays */
  destination: Destination;
  /** as it is compared; empty when not known */
  postcode: string;
}

/** What all that prices or asks about a destination begins with. The same destination comes back where nothing is told of it. */
export function locate(destination: Destination): Located {
  const postcode = destination.postcode === '' ? '' : normalPostcode(destination.postcode);
  if (destination.region !== undefined) return { destination, postcode };
  const region = regionOfPostcode(destination.country, postcode);
  return { destination: region === undefined ? destination : { ...destination, region }, postcode };
}
