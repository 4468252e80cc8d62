import { BlockList, isIP } from 'node:net';
import { Stop } from './say.mjs';

/**
 * Proxies whose word is taken for whom they forward: addresses and ranges, separated by commas.
 * @throws Stop naming what is neither
 */
export function trustedProxies(text) {
  const proxies = new BlockList();
  for (const part of text.split(',').map((one) => one.trim())) {
    if (part === '') continue;
    const [address, bits, ...more] = part.split('/');
    const family = isIP(address);
    const most = family === 6 ? 128 : 32;
    if (family === 0 || more.length > 0 || (bits !== undefined && !(/^\d{1,3}$/.test(bits) && Number(bits) <= most)))
      throw new Stop(`SUMMANT_TRUSTED_PROXIES: “${part}” is neither an address nor a range such as 10.0.0.0/8.`);
    proxies.addSubnet(address, bits === undefined ? most : Number(bits), `ipv${family}`);
  }
  return proxies;
}

/**
 * Who a request is from: the last address on the way that is no trusted proxy (RFC 7239 tells of the same list as
 * `X-Forwarded-For`). What others write into the header themselves stands further left, and is never looked at.
 */
export function clientAddress(remote, forwarded, proxies) {
  const way = [...(forwarded ?? '').split(',').map((one) => one.trim()), plain(remote ?? '')];
  let client = way.pop();
  while (way.length > 0 && isTrusted(client, proxies) && isIP(plain(way.at(-1)))) client = plain(way.pop());
  return isIP(client) ? client : null;
}

const isTrusted = (address, proxies) => isIP(address) !== 0 && proxies.check(address, `ipv${isIP(address)}`);

/** An IPv4 address that came over an IPv6 socket is that address. */
const plain = (address) => address.replace(/^::ffff:(?=\d+\.\d+\.\d+\.\d+$)/i, '');
