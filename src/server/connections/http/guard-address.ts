/**
 * Keeps requests from addresses inside the house: loopback, private and link-local networks, whatever name leads
 * there. The check is made on the address that is connected to, so a name that changes its answer gains nothing.
 */
import { lookup as lookUp, type LookupAddress, type LookupOptions } from 'node:dns';
import ipaddr from 'ipaddr.js';
import type { Problem } from '@/core/problem';
import { ProblemError } from '../../problem-error';

/**
 * Which hosts may be at a private address: those named, each with its port (`host:port`, lower case); one without a port
 * at the usual ports of the web, 80 and 443. No other port of theirs is ever asked, whoever leads there.
 */
export type PrivateHosts = readonly string[];

/** Whether an IP address is one of the public internet. Addresses written inside IPv6 are taken out first. */
export function isPublicAddress(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  // 6to4, Teredo and NAT64 are told apart by `range`; the shared and benchmark networks of IPv4 likewise.
  return ipaddr.process(address).range() === 'unicast';
}

/** Whether a URL's host and port may be at a private address. */
export function isAllowedPrivate(url: URL, allowed: PrivateHosts): boolean {
  // A URL names its port only where that is not the usual one.
  return allowed.includes(url.host);
}

/** @throws ProblemError `ADDRESS_PRIVATE` where a URL names an address inside the house outright */
export function refusePrivateLiteral(url: URL, allowed: PrivateHosts): void {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (ipaddr.isValid(host) && !isPublicAddress(host) && !isAllowedPrivate(url, allowed)) {
    throw new ProblemError(privateProblem(url.host));
  }
}

function privateProblem(host: string): Problem {
  return {
    code: 'ADDRESS_PRIVATE',
    what: `${host} was not asked.`,
    why: 'It is an address inside the house (loopback, private or link-local), where a site’s pages have no business.',
    remedy: 'If the site does stand there, allow that host for it.',
  };
}

type LookupAnswer = (error: Error | null, address: string | LookupAddress[], family?: number) => void;

/** A name lookup for connections that refuses a name with any private address. */
export function publicLookup(hostname: string, options: LookupOptions, answer: LookupAnswer): void {
  lookUp(hostname, { ...options, all: true }, (error, addresses) => {
    if (error) return answer(error, '');
    if (addresses.some(({ address }) => !isPublicAddress(address)))
      return answer(new ProblemError(privateProblem(hostname)), '');
    if (options.all) return answer(null, addresses);
    const first = addresses[0];
    answer(null, first?.address ?? '', first?.family);
  });
}
