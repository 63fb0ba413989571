import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as z from 'zod';
import { dayFile } from '@core/day';
import { aDay, aGuest, at } from '../core/testing/small-day';

describe('The command line', () => {
  let folder: string;
  const path = (name: string) => join(folder, name);
  const run = (script: string, ...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', `cli/${script}.ts`, ...args], {
      encoding: 'utf8',
    });
    return { status, stdout, stderr };
  };
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'joylap-cli-'));
    writeFileSync(path('day.json'), JSON.stringify(z.encode(dayFile, aDay())));
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  it('plans a day into a file that the checker finds valid', () => {
    expect(run('plan', path('day.json'), '--out', path('plan.json'), '--iterations', '1').status).toBe(0);
    const checked = run('check-plan', path('day.json'), path('plan.json'), '--json');
    expect(checked.status).toBe(0);
    const { valid, violations, cost } = JSON.parse(checked.stdout);
    expect([valid, violations]).toEqual([true, []]);
    expect(cost.total).toBe(Object.values<number>(cost.terms).reduce((sum, term) => sum + term, 0));
  });

  it('exits with 1 and names the rule where a plan breaks one', () => {
    run('plan', path('day.json'), '--out', path('plan.json'), '--iterations', '1');
    writeFileSync(
      path('late.json'),
      JSON.stringify(z.encode(dayFile, aDay({ guests: [aGuest({ arrives: at('12:00') })] }))),
    );
    const { status, stdout } = run('check-plan', path('late.json'), path('plan.json'));
    expect(status).toBe(1);
    expect(stdout).toContain('GUEST_PRESENT: Ines Faro arrives at 12:00');
  });

  it('exits with 2, a line for each fault, and writes nothing where a file is broken', () => {
    writeFileSync(path('bad.json'), JSON.stringify({ ...z.encode(dayFile, aDay()), opens: 'soon', colour: 'red' }));
    const { status, stderr, stdout } = run('plan', path('bad.json'), '--out', path('plan.json'));
    expect([status, stdout]).toEqual([2, '']);
    expect(
      stderr
        .trim()
        .split('\n')
        .map((line) => line.split(': ')[1]),
    ).toEqual(['opens', 'colour']);
    expect(existsSync(path('plan.json'))).toBe(false);
  });

  it('exits with 2 on a file that is not there, an option that is unknown, and half a repair', () => {
    expect(run('plan', path('none.json')).status).toBe(2);
    expect(run('plan', path('day.json'), '--fast').status).toBe(2);
    expect(run('check-plan', path('day.json')).status).toBe(2);
    expect(run('plan', path('day.json'), '--now', '10:00').stderr).toContain('--previous and --now go together');
  });

  it('plans again from a time of day on', () => {
    run('plan', path('day.json'), '--out', path('plan.json'), '--iterations', '1');
    const repair = ['--previous', path('plan.json'), '--now', '09:01'];
    expect(run('plan', path('day.json'), ...repair, '--out', path('again.json'), '--iterations', '1').status).toBe(0);
    expect(run('check-plan', path('day.json'), path('again.json'), ...repair).status).toBe(0);
    expect(JSON.parse(readFileSync(path('again.json'), 'utf8')).drives).toEqual(
      JSON.parse(readFileSync(path('plan.json'), 'utf8')).drives,
    );
  });
});
