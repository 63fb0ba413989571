import { circuitFile } from '../circuit/at-start';
import { centreLineOf, type Circuit } from '../circuit';
import { fact } from '../../values';
import { oval, square } from '../../testing/circuits';
import { SMALL_MODEL } from '../../testing/small-model';
import { callSheet, type CallSettings } from './calls';
import { carOf } from './car';
import { carFile } from './car-file';
import { differenceCard, fromTameToFierce } from './difference';
import { LapModel } from './lap';
import { studyCircuit, type FleetCar } from './study';
import { taughtGears } from './taught-gears';

const circuit = (line: Circuit['line'], corners: Circuit['corners'] = []): Circuit =>
  circuitFile.parse({ name: 'Slipway', line, corners });
const model = (changed: object = {}) => carFile.parse({ ...SMALL_MODEL, ...changed });
const car = (id: string, changed: object = {}, level = 3): FleetCar => ({
  id,
  name: id,
  number: 1,
  level,
  model: model(changed),
});
const FLEET = [car('tame', { peakPowerKW: 150 }, 1), car('fierce', { peakPowerKW: 500, massKg: 1500 }, 5)];
const SETTINGS: CallSettings = {
  speechS: 0.7,
  reactionS: 0.8,
  gearbox: 'paddle',
  throttle: 'none',
  braking: 'straight',
};

describe('What a fleet does on a circuit', () => {
  const line = square(600, 35, 6);
  const study = studyCircuit(circuit(line), FLEET, [1, 1.25]);

  it('gives every car a lap at every pace', () => {
    expect(study.laps.map(({ car: id, pace }) => `${id} ${pace}`)).toEqual([
      'tame 1',
      'tame 1.25',
      'fierce 1',
      'fierce 1.25',
    ]);
    const lapOf = (id: string) => study.laps.find((lap) => lap.car === id && lap.pace === 1)!;
    expect(lapOf('fierce').lapTimeS).toBeLessThan(lapOf('tame').lapTimeS);
    expect(lapOf('fierce').brakeHeatMJ).toBeGreaterThan(lapOf('tame').brakeHeatMJ);
  });

  it('has one brake cone that serves all: nobody has to brake before it', () => {
    for (const { brake, taught } of study.corners) {
      expect(brake).toBeDefined();
      const before = (atM: number) => (taught.turnInM - atM + 1.5 * study.centre.lengthM) % study.centre.lengthM;
      for (const { brakesM } of study.laps) {
        const atM = brakesM[taught.corner.number - 1];
        if (atM !== undefined) expect(before(brake!.coneM)).toBeGreaterThanOrEqual(before(atM) - 0.01);
      }
      expect(before(brake!.deepM)).toBeLessThanOrEqual(before(brake!.coneM));
      expect(brake!.decidedBy.car).toBe('fierce');
    }
  });

  it('brakes sooner where it is wet', () => {
    const wet = studyCircuit(circuit(line), FLEET, [1], 0.65);
    expect(wet.laps[0]!.lapTimeS).toBeGreaterThan(study.laps[0]!.lapTimeS);
    const first = (one: typeof study) => one.corners[0]!.taught.turnInM - one.corners[0]!.brake!.coneM;
    expect(first(wet)).toBeGreaterThan(0);
  });

  it('says which car cannot be driven, and where, and goes on with the others', () => {
    const weak = car('weak', { peakPowerKW: 20, peakPowerRpm: 4000, massKg: 3000 });
    const steep = line.map((point, i, all) => ({ ...point, zM: 90 * Math.sin((2 * Math.PI * i) / all.length) }));
    const { faults, laps } = studyCircuit(circuit(steep), [weak, ...FLEET], [1]);
    expect(faults.map(({ car: id }) => id)).toEqual(['weak']);
    expect(faults[0]!.reason).toEqual(fact('cannotClimb', {}));
    expect(new Set(laps.map(({ car: id }) => id))).toEqual(new Set(['tame', 'fierce']));
  });

  it('can be looked at before there is a fleet', () => {
    expect(studyCircuit(circuit(line), [], []).shown).toBeDefined();
  });
});

describe('A call sheet', () => {
  const line = square(600, 35, 6);
  const named = [
    {
      name: 'Winch',
      atM: 295,
      book: { noGearChange: true, throttle: 'maintenance' as const, mistakes: 'turns in early' },
    },
  ];
  const study = studyCircuit(circuit(line, named), FLEET, [1]);
  const taught = study.corners.map((corner) => corner.taught);
  const fierce = new LapModel(carOf(FLEET[1]!.model).car, study.teaching);
  const { lap } = taughtGears(fierce, taught, { withinS: 0.02, without: [], corners: new Map() })!;
  const sheet = callSheet(lap, taught, SETTINGS);
  const lengthM = centreLineOf(line).lengthM;
  const ahead = (fromM: number, toM: number) => ((toM - fromM + 1.5 * lengthM) % lengthM) - lengthM / 2;

  it('says brake, release, turn, apex and throttle in this order', () => {
    for (const { calls } of sheet) {
      const kinds = calls
        .map(({ kind }) => kind)
        .filter((kind) => ['brake', 'release', 'turn', 'apex', 'throttle'].includes(kind));
      expect(kinds).toEqual(['brake', 'release', 'turn', 'apex', 'throttle']);
    }
  });

  it('says each call its time ahead, and none into another', () => {
    for (const { calls } of sheet) {
      calls.forEach((call, place) => {
        expect(ahead(call.sayM, call.actM)).toBeGreaterThan(0);
        const next = calls[place + 1];
        // A corner may lie over the start line.
        const untilS = next && (next.sayS - call.sayS + lap.lapTimeS) % lap.lapTimeS;
        if (untilS !== undefined) expect(untilS).toBeGreaterThanOrEqual(call.takesS - 1e-6);
      });
      const { sayM, actM, speedKmh, takesS } = calls.find(({ kind }) => kind === 'brake')!;
      // At an even speed before the brakes: the way of the time to say it and to act.
      expect(ahead(sayM, actM)).toBeGreaterThan((speedKmh / 3.6) * (takesS + SETTINGS.reactionS) * 0.85);
    }
  });

  it('says a call sooner to a guest who has repeated the fault', () => {
    const turn = sheet[0]!.calls.find(({ kind }) => kind === 'brake')!;
    const sooner = callSheet(lap, taught, { ...SETTINGS, sooner: new Set([turn.id]) })[0]!.calls.find(
      ({ id }) => id === turn.id,
    )!;
    expect(ahead(sooner.sayM, turn.sayM)).toBeGreaterThan(0);
    expect(sooner.actM).toBe(turn.actM);
  });

  it('calls no gears to a guest who drives automatic', () => {
    const kinds = callSheet(lap, taught, { ...SETTINGS, gearbox: 'auto' }).flatMap(({ calls }) =>
      calls.map(({ kind }) => kind),
    );
    expect(kinds).not.toContain('gearDown');
    expect(kinds).not.toContain('gearUp');
    expect(sheet.flatMap(({ calls }) => calls.map(({ kind }) => kind))).toContain('gearDown');
  });

  it('follows the corner book: no gear change in the corner, and its own custom with the throttle', () => {
    const winch = sheet.find(({ corner }) => corner === 'Winch')!;
    const turn = winch.calls.find(({ kind }) => kind === 'turn')!;
    for (const { kind, actM } of winch.calls) {
      if (kind === 'gearDown') expect(ahead(actM, turn.actM)).toBeGreaterThanOrEqual(0);
    }
    expect(winch.calls.map(({ kind }) => kind)).toContain('balance');
    expect(sheet[1]!.calls.map(({ kind }) => kind)).not.toContain('balance');
    expect(winch.remarks).toContain(fact('oftenWrong', {}, { text: 'turns in early' }));
  });

  it('ends braking before the turn where the venue brakes in a straight line', () => {
    for (const { calls } of sheet) {
      const at = (kind: string) => calls.find((call) => call.kind === kind)!.actM;
      expect(ahead(at('release'), at('turn'))).toBeGreaterThanOrEqual(-0.01);
    }
    const trailed = callSheet(lap, taught, { ...SETTINGS, braking: 'trailed' })[0]!.calls;
    expect(
      ahead(trailed.find(({ kind }) => kind === 'turn')!.actM, trailed.find(({ kind }) => kind === 'release')!.actM),
    ).toBeGreaterThan(0);
  });
});

describe('The card of a car', () => {
  const study = studyCircuit(circuit(oval(600, 45)), FLEET, [1]);
  const subject = (id: string) => ({
    car: FLEET.find((one) => one.id === id)!,
    notes: id === 'tame' ? { brakes: 'soft' } : { brakes: 'hard', traps: ['no doors'] },
    lap: study.laps.find((lap) => lap.car === id),
  });

  it('stands alone for the first car of the day', () => {
    const card = differenceCard(subject('tame'));
    expect(card.from).toBeUndefined();
    expect(card.lines.find(({ topic }) => topic === 'powerKW')!.now).toBe(150);
    expect(card.advice.at(-1)).toEqual(fact('gentleFirst', {}));
    expect(card.assumed).toContain('wheelbaseM');
  });

  it('says what is different from the last car, and what to do about it', () => {
    const card = differenceCard(subject('fierce'), subject('tame'));
    const brakes = card.lines.find(({ topic }) => topic === 'brakes')!;
    expect([brakes.before, brakes.now, brakes.changes]).toEqual(['soft', 'hard', true]);
    expect(card.lines.find(({ topic }) => topic === 'driven')!.changes).toBe(false);
    expect(card.advice).toContain(fact('stronger', {}, { percent: 211 }));
    expect(card.traps).toEqual(['no doors']);
  });

  it('says that the same calls hold for a car like the last', () => {
    expect(differenceCard(subject('tame'), subject('tame')).advice).toEqual([fact('alike', {})]);
  });

  it('puts the tame car first', () => {
    expect(fromTameToFierce([FLEET[1]!, FLEET[0]!]).map(({ id }) => id)).toEqual(['tame', 'fierce']);
    expect(fromTameToFierce([car('b', { peakPowerKW: 400 }), car('a')]).map(({ id }) => id)).toEqual(['a', 'b']);
  });
});
