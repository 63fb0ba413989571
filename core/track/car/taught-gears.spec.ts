import * as fc from 'fast-check';
import { circuitFile } from '../circuit/at-start';
import { taughtCorners, centreLineOf } from '../circuit';
import { square, swinging } from '../../testing/circuits';
import { SMALL_MODEL } from '../../testing/small-model';
import { callSheet, type CallSettings } from './calls';
import { callsOnLap } from './call-progress';
import { carOf } from './car';
import { carFile, type CarFile } from './car-file';
import { CALL_KINDS } from './call-kinds';
import { isLap, LapModel } from './lap';
import { racingLine, teachingLine } from './lines';
import { taughtGears, type GearTeaching } from './taught-gears';

const PLAIN: GearTeaching = { withinS: 1, without: [], corners: new Map() };
const SETTINGS: CallSettings = {
  speechS: 0.7,
  reactionS: 0.8,
  gearbox: 'paddle',
  throttle: 'none',
  braking: 'straight',
};
type Line = ReturnType<typeof square>;

function onCircuit(line: Line, file: CarFile, corners: object[] = []) {
  const circuit = circuitFile.parse({ name: 'Loop', line, corners });
  const { car } = carOf(file);
  const centre = centreLineOf(circuit.line, 3);
  const racing = racingLine(centre, car);
  const taught = taughtCorners(centre, racing, circuit.corners);
  return { model: new LapModel(car, teachingLine(centre, car, circuit.corners, 3, racing)), taught };
}
const small = (more: object = {}) => carFile.parse({ ...SMALL_MODEL, ...more });
const anyCar = fc
  .record({
    massKg: fc.integer({ min: 900, max: 2000 }),
    peakPowerKW: fc.integer({ min: 90, max: 500 }),
    finalDrive: fc.double({ min: 3, max: 4.6, noNaN: true }),
  })
  .map(small);
const anyLine = fc
  .tuple(
    fc.integer({ min: 110, max: 260 }),
    fc.array(fc.tuple(fc.double({ min: 0, max: 0.09, noNaN: true }), fc.double({ min: 0, max: 6.2, noNaN: true })), {
      minLength: 2,
      maxLength: 4,
    }),
  )
  .map(([radiusM, waves]) => swinging(radiusM, waves));

describe('The gears that are taught', () => {
  const { model, taught } = onCircuit(square(600, 35, 6), small());

  it('are fewer than those that give the most, for at most the time that the venue allows', () => {
    const { lap, best, windows } = taughtGears(model, taught, PLAIN)!;
    expect(windows).toBeDefined();
    expect(lap.changes.length).toBeLessThan(best.changes.length);
    expect(lap.lapTimeS - best.lapTimeS).toBeLessThanOrEqual(1.001);
    expect(lap.lapTimeS).toBeGreaterThanOrEqual(best.lapTimeS - 1e-6);
  });

  it('are changed more often the less time the venue allows', () => {
    const shifts = [3, 1, 0.3, 0.1].map((withinS) => taughtGears(model, taught, { ...PLAIN, withinS })!);
    const counts = shifts.map(({ lap }) => lap.changes.length);
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    expect(counts[0]!).toBeLessThan(counts.at(-1)!);
  });

  it('leave out what the venue rules out, and follow its order at a corner, whatever that costs', () => {
    const without = taughtGears(model, taught, { ...PLAIN, without: [3] })!;
    expect([...without.lap.gear]).not.toContain(3);
    const ordered = taughtGears(model, taught, { ...PLAIN, corners: new Map([['Corner 2', 4]]) })!;
    const apex = ordered.lap.line.centreM.findIndex((atM) => atM >= taught[1]!.apexesM[0]!);
    expect(ordered.lap.gear[apex]).toBe(4);
  });

  it('of any car on any circuit: none is changed while turning in, and never past the highest revolutions', () => {
    fc.assert(
      fc.property(anyLine, anyCar, (line, file) => {
        const here = onCircuit(line, file);
        const found = taughtGears(here.model, here.taught, PLAIN);
        if (!found?.windows) return;
        const { lap, best } = found;
        expect(lap.changes.length).toBeLessThanOrEqual(best.changes.length);
        const { topMps } = here.model.gearing;
        lap.speedMps.forEach((mps, i) => expect(mps).toBeLessThanOrEqual(topMps[lap.gear[i]!]! + 0.3));
        const lengthM = lap.line.centreM.at(-1)! + lap.line.stepM;
        for (const { station } of lap.changes) {
          const atM = lap.line.centreM[station]!;
          for (const { turnInM, apexesM } of here.taught) {
            const insideM = (((atM - turnInM) % lengthM) + lengthM) % lengthM;
            expect(insideM > 3 && insideM < apexesM.at(-1)! - turnInM - 6)
              .withContext(`a change ${insideM.toFixed(0)} m into a corner`)
              .toBeFalse();
          }
        }
      }),
      { numRuns: 25 },
    );
  });

  it('are none of a circuit without a corner', () => {
    const found = taughtGears(model, [], PLAIN)!;
    expect(found.windows).toBeUndefined();
    expect(found.lap).toBe(found.best);
  });
});

describe('The calls of a lap in the taught gears', () => {
  it('never run into each other, on any circuit; what found no room is told with what is said then', () => {
    fc.assert(
      fc.property(anyLine, anyCar, fc.double({ min: 0.3, max: 1.6, noNaN: true }), (line, file, speechS) => {
        const here = onCircuit(line, file);
        const found = taughtGears(here.model, here.taught, PLAIN);
        if (!found || !isLap(found.lap)) return;
        const sheet = callSheet(found.lap, here.taught, { ...SETTINGS, speechS });
        const { lapTimeS, line: driven } = found.lap;
        const lengthM = driven.centreM.at(-1)! + driven.stepM;
        const said = sheet
          .flatMap(({ calls }) => calls)
          .map(({ sayS, takesS }) => ({ fromS: ((sayS % lapTimeS) + lapTimeS) % lapTimeS, takesS }))
          .sort((a, b) => a.fromS - b.fromS);
        said.forEach(({ fromS, takesS }, i) => {
          const next = said[i + 1];
          if (next) expect(next.fromS - fromS).toBeGreaterThanOrEqual(takesS - 1e-6);
        });
        const ahead = (fromM: number, toM: number) => (toM - fromM + lengthM) % lengthM;
        for (const { calls } of sheet) {
          calls.slice(1).forEach(({ sayS, actM }, i) => {
            const before = calls[i]!;
            expect((sayS - before.sayS + lapTimeS) % lapTimeS).toBeGreaterThanOrEqual(before.takesS - 1e-6);
            expect(ahead(before.actM, actM)).toBeLessThan(lengthM / 2);
          });
        }
        for (const { dropped } of sheet) for (const { what, beside } of dropped) expect(what).not.toEqual(beside);
      }),
      { numRuns: 25 },
    );
  });

  it('call a guest few gears, those that are taught and no other', () => {
    const { model, taught } = onCircuit(square(600, 35, 6), small());
    const { lap } = taughtGears(model, taught, PLAIN)!;
    const sheet = callSheet(lap, taught, { ...SETTINGS, speechS: 0.3 });
    const gears = sheet.flatMap(({ calls }) => calls.filter(({ kind }) => kind === 'gearDown' || kind === 'gearUp'));
    expect(gears.length).toBe(lap.changes.length);
    const auto = callSheet(lap, taught, { ...SETTINGS, gearbox: 'auto', byHand: new Set(['Corner 1']) });
    const corners = auto.filter(({ calls }) => calls.some(({ kind }) => kind.startsWith('gear')));
    expect(corners.map(({ corner }) => corner)).toEqual(['Corner 1']);
  });

  it('say where to look, on which side to be, and how long each thing takes, as the venue wants it', () => {
    const book = { lookAt: 'the red door', beOn: 'right', givenAway: true };
    const { model, taught } = onCircuit(square(600, 35, 6), small(), [{ name: 'Winch', atM: 295, book }]);
    const { lap } = taughtGears(model, taught, PLAIN)!;
    const quick = { ...SETTINGS, speechS: 0.3 };
    const winch = (settings: CallSettings) =>
      callSheet(lap, taught, settings).find(({ corner }) => corner === 'Winch')!.calls;
    const plain = winch(quick);
    expect(plain.map(({ kind }) => kind)).toEqual(jasmine.arrayContaining(['look', 'beOn', 'easeThrottle']));
    const own = winch({ ...quick, customs: { turn: { takesS: 0.5, aheadS: 1.5 }, look: { off: true } } });
    expect(own.map(({ kind }) => kind)).not.toContain('look');
    const handed = winch({ ...quick, sooner: new Set(['Winch-hands']) });
    expect([plain, handed].map((calls) => calls.some(({ kind }) => kind === 'hands'))).toEqual([false, true]);
    const turn = (calls: typeof plain) => calls.find(({ kind }) => kind === 'turn')!;
    expect(turn(own).sayS).toBeLessThan(turn(plain).sayS);
    expect(turn(own).takesS).toBe(0.5);
  });

  it('become fewer lap by lap, except for gears and at corners that are marked; steps say what is asked for', () => {
    const steps = [
      { fromLap: 1, brake: 'lift' },
      { fromLap: 2, brake: 'light' },
      { fromLap: 3, brake: 'full' },
    ];
    const { model, taught } = onCircuit(square(600, 35, 6), small(), [{ name: 'Winch', atM: 295, book: { steps } }]);
    const sheet = callSheet(taughtGears(model, taught, PLAIN)!.lap, taught, SETTINGS);
    const on = (lap: number, marked: string[] = []) =>
      callsOnLap(sheet, { lap, quietFromLap: 3, marked: new Set(marked) });
    const count = (lap: number, marked: string[] = []) =>
      on(lap, marked).reduce((sum, { calls }) => sum + calls.length, 0);
    expect(count(1)).toBeGreaterThan(count(2));
    expect(count(2)).toBeGreaterThan(count(3));
    expect(count(3, ['Winch'])).toBeGreaterThan(count(3));
    const gears = (lap: number) => on(lap).flatMap(({ calls }) => calls.filter(({ kind }) => kind.startsWith('gear')));
    expect(gears(9).length).toBe(gears(1).length);
    const asked = (lap: number) =>
      on(lap, ['Winch'])
        .find(({ corner }) => corner === 'Winch')!
        .calls.find(({ kind }) => kind === 'brake')!.what.code;
    expect([1, 2, 3, 4].map(asked)).toEqual(['lift', 'brakeLightly', 'brake', 'brake']);
    // Whatever is named as said in place of another is said on that lap, in the words of that lap.
    const slow = callSheet(taughtGears(model, taught, PLAIN)!.lap, taught, { ...SETTINGS, speechS: 2.5 });
    const slowOn = (lap: number) => callsOnLap(slow, { lap, quietFromLap: 3, marked: new Set() });
    expect(slowOn(1).some(({ dropped }) => dropped.length > 0)).toBeTrue();
    for (const lap of [1, 2, 3, 4]) {
      const spoken = new Set(slowOn(lap).flatMap(({ calls }) => calls.map(({ what }) => JSON.stringify(what))));
      for (const { dropped } of slowOn(lap)) {
        for (const { beside } of dropped) expect(spoken).toContain(JSON.stringify(beside));
      }
    }
    const least = (lap: number) => slowOn(lap).flatMap(({ dropped }) => dropped).length;
    expect(least(9)).toBeLessThan(least(1));
    expect(Math.max(...Object.values(CALL_KINDS).map(({ weight }) => weight))).toBe(CALL_KINDS.brake.weight);
  });
});
