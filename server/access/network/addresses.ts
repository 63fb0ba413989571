import { hostname, networkInterfaces } from 'node:os';

/** Names and addresses by which this machine is called, in small letters; its network may change while it runs. */
export function ownNames(): string[] {
  const own = hostname().toLowerCase();
  return ['localhost', '127.0.0.1', '::1', own, `${own}.local`, ...addresses().map(({ address }) => address)];
}

/** Addresses at which others on the network reach this machine, those that are short to type first. */
export function networkAddresses(): string[] {
  return addresses()
    .filter(({ internal, address }) => !internal && !address.startsWith('169.254.') && !/^fe80:/i.test(address))
    .sort((a, b) => Number(a.family !== 'IPv4') - Number(b.family !== 'IPv4'))
    .map(({ address }) => address);
}

/** An address as it stands in a URL. */
export const inUrl = (address: string): string => (address.includes(':') ? `[${address}]` : address);

function addresses() {
  return Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).map(({ address, family, internal }) => ({ address: address.split('%')[0]!, family, internal })),
  );
}
