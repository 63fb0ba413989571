import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { get as httpGet } from 'node:http';
import { get as httpsGet } from 'node:https';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Network } from './network';
import { ownCertificate } from './authority';

const NOW = new Date('2027-05-22T10:00:00Z');

describe('The certificate of the venue’s own authority', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'joylap-network-'))));
  afterEach(() => rmSync(folder, { recursive: true }));

  it('holds for names and addresses, under an authority that may sign servers and nothing below', async () => {
    const { cert, authority } = await ownCertificate(folder, ['localhost', '10.0.0.5', 'fd00::5'], NOW);
    const [own, issuer] = [new X509Certificate(cert), new X509Certificate(authority)];
    expect([own.checkHost('localhost'), own.checkIP('10.0.0.5'), own.checkIP('fd00::5')]).toEqual([
      'localhost',
      '10.0.0.5',
      'fd00::5',
    ]);
    expect([own.verify(issuer.publicKey), own.checkIssued(issuer), own.ca, issuer.ca]).toEqual([
      true,
      true,
      false,
      true,
    ]);
    // Phones refuse one that holds for more than 825 days.
    expect(Date.parse(own.validTo) - Date.parse(own.validFrom)).toBeLessThan(825 * 86_400_000);
    expect(statSync(join(folder, 'authority.key')).mode & 0o077).toBe(0);
  });

  it('stays while it is good, and is made anew for a new name or before it ends, under the same authority', async () => {
    const first = await ownCertificate(folder, ['localhost'], NOW);
    expect(await ownCertificate(folder, ['localhost'], NOW)).toEqual(first);
    const moved = await ownCertificate(folder, ['localhost', '10.0.0.9'], NOW);
    expect(moved.cert).not.toBe(first.cert);
    const later = await ownCertificate(folder, ['localhost'], new Date('2029-07-20T10:00:00Z'));
    expect(later.cert).not.toBe(moved.cert);
    expect([moved.authority, later.authority]).toEqual([first.authority, first.authority]);
  });
});

describe('The port for the network', () => {
  let folder: string;
  let network: Network;
  const answer = (address: string, ca?: string) =>
    new Promise<string>((resolve, reject) => {
      const options = { ca, agent: false as const };
      const request = address.startsWith('https') ? httpsGet(address, options) : httpGet(address, options);
      request.on('error', reject);
      request.on('response', (response) => response.setEncoding('utf8').on('data', resolve));
    });
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'joylap-network-'));
    network = new Network({ here: 'http://localhost:4700', hosts: ['venue.lan'], folder, open: false });
  });
  afterEach(() => {
    network.close();
    rmSync(folder, { recursive: true });
  });

  it('answers by HTTPS under the authority, and by HTTP what does not trust it yet', async () => {
    await network.listen(0, (_request, response) => response.end('here'));
    const { addresses, ownAuthority, why } = await network.view();
    const { port } = new URL(addresses.at(-1)!);
    expect([ownAuthority, why]).toEqual([true, undefined]);
    expect(addresses.at(-1)).toBe(`https://venue.lan:${port}`);
    expect(network.authorityCertificate).toBe(readFileSync(join(folder, 'authority.crt'), 'utf8'));
    expect(await answer(`https://localhost:${port}/`, network.authorityCertificate)).toBe('here');
    expect(await answer(`http://localhost:${port}/`)).toBe('here');
    await expectAsync(answer(`https://localhost:${port}/`)).toBeRejected();
  });

  it('that is taken is told, and nothing else is lost by it', async () => {
    const other = createServer();
    await new Promise<void>((resolve) => other.listen(0, resolve));
    await network.listen((other.address() as AddressInfo).port, () => undefined);
    const view = await network.view();
    expect([view.addresses, view.why]).toEqual([[], 'portTaken']);
    other.close();
  });
});
