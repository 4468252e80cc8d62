import { lookup as lookUpName, type LookupAddress } from 'node:dns';
import { request as requestPlain, type IncomingMessage } from 'node:http';
import { request as requestOverTls } from 'node:https';
import { isIP } from 'node:net';
import ipaddr from 'ipaddr.js';
import { ownAddress } from '../http/guard.ts';
import { userAgent, type Got } from './got.ts';
import { mayFetch } from './robots.ts';
import type { ContentFormat } from './read-content.ts';

/** What was fetched, or why nothing came of it. */
export type Fetched = { ok: true; content: string; format: ContentFormat } | { ok: false; problem: string };

/** Of a page. Bytes */
export const largestPage = 1_048_576;
/** How long a page is waited for, from the first question to its end. ms */
const longestWait = 10_000;
/** Redirects to another page of the same host that are followed. */
const mostRedirects = 3;

/**
 * Fetches a page from a listed host and from nowhere else: the addresses that its name leads to are looked at when it is asked, so
 * that a listed name cannot lead into the store's own network; other hosts are not followed to.
 *
 * @param hosts that are listed, with a port where it is not the usual one
 */
export async function fetchPage(address: string, hosts: readonly string[]): Promise<Fetched> {
  const signal = AbortSignal.timeout(longestWait);
  try {
    let url = pageAddress(address);
    const { host } = url;
    refuseUnlisted(url, hosts);
    const allowed = await mayFetch(url, (file, most) => getText(file, most, signal));
    if (!allowed) return { ok: false, problem: 'its host asks programs not to read it (robots.txt)' };
    for (let redirects = 0; ; redirects++) {
      const { status, location, text, type } = await getText(url, largestPage, signal);
      if (location === null) {
        if (status !== 200) return { ok: false, problem: `it was answered with ${status}` };
        return { ok: true, content: text, format: formatOf(type, url.pathname) };
      }
      url = new URL(location, url);
      if (url.host !== host) return { ok: false, problem: `it leads on to ${url.host}, which is another host` };
      if (redirects >= mostRedirects) return { ok: false, problem: 'it leads on and on' };
    }
  } catch (error) {
    if (error instanceof Refused) return { ok: false, problem: error.message };
    const name = error instanceof Error ? error.name : '';
    const late = name === 'TimeoutError' || name === 'AbortError';
    return { ok: false, problem: late ? `it did not come within ${longestWait / 1000} s` : 'it could not be reached' };
  }
}

/** Why nothing is fetched, in words. */
class Refused extends Error {}

/** Pages of the stand-in that ships are named by their path alone. */
const isOwnStandIn = (address: string): boolean => address.startsWith('/stand-ins/pages/');

function pageAddress(address: string): URL {
  let url: URL;
  try {
    url = isOwnStandIn(address) ? new URL(address, ownAddress()) : new URL(address);
  } catch {
    throw new Refused('it has no address that a page could be at');
  }
  if (url.protocol !== 'http:' && url.protocol !== 'https:')
    throw new Refused('its address does not begin with https://');
  if (url.username !== '' || url.password !== '') throw new Refused('its address holds a name or a password');
  return url;
}

const isOwn = (url: URL): boolean =>
  url.origin === new URL(ownAddress()).origin && url.pathname.startsWith('/stand-ins/pages/');

function refuseUnlisted(url: URL, hosts: readonly string[]): void {
  if (!isOwn(url) && !hosts.includes(url.host)) throw new Refused(`${url.host} is not among the listed hosts`);
}

/** Whether an address is one that anybody can reach: none of the machine's own, of an inner network, or kept for other ends. */
export function isPublicAddress(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  // An address of the old kind in one of the new is what it stands for.
  return ipaddr.process(address).range() === 'unicast';
}

/** Hosts in the store’s own network that pages may be fetched from all the same, by whoever runs Summant. */
const privateHosts = (): string[] =>
  (process.env.SUMMANT_PRIVATE_HOSTS ?? '').split(',').map((host) => host.trim().toLowerCase());

/** @throws Refused where the address is not public or the page is too large */
function getText(url: URL, most: number, signal: AbortSignal): Promise<Got> {
  const anyAddress =
    isOwn(url) ||
    (url.pathname === '/robots.txt' && url.origin === new URL(ownAddress()).origin) ||
    privateHosts().includes(url.host);
  const refuse = (address: string) =>
    anyAddress || isPublicAddress(address)
      ? null
      : new Refused(`${url.host} leads to ${address}, which is not on the open net`);
  const bare = url.hostname.replace(/^\[|\]$/g, '');
  const literal = isIP(bare) ? refuse(bare) : null;
  if (literal) return Promise.reject(literal);
  return new Promise((resolve, reject) => {
    const request = (url.protocol === 'https:' ? requestOverTls : requestPlain)(
      url,
      {
        signal,
        agent: false,
        headers: { 'user-agent': userAgent, accept: 'text/html, text/*, application/xml, application/json;q=0.9' },
        // What is looked at is what is connected to: the name is not asked again.
        lookup: (name, options, found) =>
          lookUpName(name, { ...options, all: true }, (error, addresses) => {
            const refused = (addresses as LookupAddress[] | undefined)
              ?.map(({ address }) => refuse(address))
              .find(Boolean);
            if (error ?? refused) return found((error ?? refused)!, '', 0);
            if (options.all) return (found as unknown as (error: null, all: LookupAddress[]) => void)(null, addresses);
            const [first] = addresses;
            return found(null, first!.address, first!.family);
          }),
      },
      (response) => void readAnswer(response, most).then(resolve, reject),
    );
    request.on('error', reject);
    request.end();
  });
}

async function readAnswer(response: IncomingMessage, most: number): Promise<Got> {
  const status = response.statusCode ?? 0;
  const location = status >= 300 && status < 400 ? (response.headers.location ?? null) : null;
  const chunks: Buffer[] = [];
  let size = 0;
  if (location === null)
    for await (const chunk of response as AsyncIterable<Buffer>) {
      size += chunk.byteLength;
      if (size > most) {
        response.destroy();
        throw new Refused(`it is larger than ${Math.round(most / 1024)} kB`);
      }
      chunks.push(chunk);
    }
  else response.destroy();
  return {
    status,
    location,
    text: Buffer.concat(chunks).toString('utf8'),
    type: response.headers['content-type'] ?? '',
  };
}

/** What a content is read as, by its type, else by how its address ends. */
export function formatOf(type: string, path: string): ContentFormat {
  const plain = type.split(';')[0]!.trim().toLowerCase();
  if (plain === 'text/html' || plain === 'application/xhtml+xml') return 'html';
  if (plain === 'text/csv' || /\.(csv|tsv)$/i.test(path)) return 'csv';
  if (/json$/.test(plain) || /\.json(ld)?$/i.test(path)) return 'json';
  if (/xml$/.test(plain) || /\.(xml|rss|atom)$/i.test(path)) return 'xml';
  return 'text';
}
