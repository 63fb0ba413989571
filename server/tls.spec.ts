import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { programOf } from './testing/programs';

describe('A certificate that can’t be used', () => {
  const folder = mkdtempSync(join(tmpdir(), 'joylap-tls-'));
  const start = (tls: Record<string, string>) => {
    const env = { ...process.env, JOYLAP_DATA: folder, PORT: '0', ...tls };
    const { status, stderr } = spawnSync(process.execPath, [programOf('main')], {
      env,
      encoding: 'utf8',
    });
    return { status, sentence: stderr.trim().split('\n').at(-1) };
  };
  afterAll(() => rmSync(folder, { recursive: true }));

  it('ends the start with a sentence', () => {
    const cert = join(folder, 'venue.crt');
    writeFileSync(cert, 'no certificate');
    expect(start({ JOYLAP_TLS_CERT: cert })).toEqual({
      status: 2,
      sentence: "The certificate can't be used: JOYLAP_TLS_CERT and JOYLAP_TLS_KEY go together",
    });
    const { status, sentence } = start({ JOYLAP_TLS_CERT: cert, JOYLAP_TLS_KEY: cert });
    expect([status, sentence?.startsWith("The certificate can't be used:")]).toEqual([2, true]);
  });
});
