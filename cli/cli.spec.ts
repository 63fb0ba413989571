import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as z from 'zod';
import { dayFile } from '@core/day';
import { circuitCsv } from '@exchange/circuit-csv';
import { square } from '@core/testing/circuits';
import { aDay, aGuest, anInstructor, at } from '@core/testing/small-day';
import { SMALL_MODEL } from '@core/testing/small-model';
import { programOf } from '../server/testing/programs';

describe('The command line', () => {
  let folder: string;
  const path = (name: string) => join(folder, name);
  const run = (script: 'plan' | 'check-plan' | 'lap', ...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [programOf(script), ...args], {
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

  it('warns of what may be a slip, with its path, and plans on', () => {
    const day = aDay({ instructors: [anInstructor({ cars: ['c1', 'c99'] })] });
    writeFileSync(path('slip.json'), JSON.stringify(z.encode(dayFile, day)));
    const { status, stderr } = run('plan', path('slip.json'), '--out', path('plan.json'), '--iterations', '1');
    expect([status, stderr]).toEqual([0, 'warning: instructors[0].cars[1]: no car "c99" in this file\n']);
    expect(existsSync(path('plan.json'))).toBe(true);
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

  describe('computes a lap', () => {
    beforeEach(() => {
      writeFileSync(path('car.json'), JSON.stringify(SMALL_MODEL));
      writeFileSync(path('loop.csv'), circuitCsv({ line: square(500, 40) }));
    });
    const lap = (...more: string[]) => run('lap', '--circuit', path('loop.csv'), '--car', path('car.json'), ...more);

    it('and prints it as JSON, with a profile of the whole lap', () => {
      const { status, stdout } = lap('--json', '--line', 'centre', '--out', path('profile.csv'));
      expect(status).toBe(0);
      const report = JSON.parse(stdout);
      expect(Object.keys(report)).toEqual([
        'lengthM',
        'lapTimeS',
        'topSpeedKmh',
        'slowestKmh',
        'fuelL',
        'brakeHeatMJ',
        'gearChanges',
        'corners',
      ]);
      expect(report.corners.map(({ direction }: { direction: string }) => direction)).toEqual([
        'left',
        'left',
        'left',
        'left',
      ]);
      const [header, ...rows] = readFileSync(path('profile.csv'), 'utf8').trim().split('\n');
      expect(header).toBe('s_m,x_m,y_m,offset_m,kappa_1pm,v_mps,gear,ax_mps2,ay_mps2,throttle,brake,t_s');
      expect(Math.abs(rows.length * 2 - report.lengthM)).toBeLessThan(3);
      const last = rows.at(-1)!.split(',').map(Number);
      expect(last.at(-1)).toBeLessThan(report.lapTimeS);
      expect(last.at(-1)).toBeGreaterThan(report.lapTimeS - 1);
    });

    it('on the line and with the driver that are asked for', () => {
      const time = (...more: string[]) => JSON.parse(lap('--json', ...more).stdout).lapTimeS as number;
      const [racing, teaching, professional, slow] = [
        time(),
        time('--line', 'teaching'),
        time('--professional'),
        time('--pace', '1.2'),
      ];
      expect(racing).toBeLessThanOrEqual(time('--line', 'centre'));
      expect(teaching).toBeGreaterThanOrEqual(racing);
      expect(professional).toBeLessThan(racing);
      expect(slow / racing).toBeCloseTo(1.2, 2);
    });

    it('and exits with 2 and a line for each fault, with its place', () => {
      expect(lap('--pace', '1.1', '--professional')).toEqual(
        jasmine.objectContaining({ status: 2, stderr: '--pace and --professional exclude each other\n' }),
      );
      writeFileSync(path('car.json'), JSON.stringify({ ...SMALL_MODEL, gripLateral: 5, massKg: 20 }));
      const { status, stderr } = lap();
      expect([status, stderr.trim().split('\n').length]).toEqual([2, 2]);
      expect(stderr).toMatch(/gripLateral: expected 0.2 to 2/);
      writeFileSync(path('car.json'), JSON.stringify(SMALL_MODEL));
      writeFileSync(path('loop.csv'), circuitCsv({ line: square(500, 40).filter((_, i) => i < 10 || i > 60) }));
      const open = lap();
      expect([open.status, /a jump of/.test(open.stderr)]).toEqual([2, true]);
      expect(lap('--pace', '0.4').status).toBe(2);
    });
  });
});
