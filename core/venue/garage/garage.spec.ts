import { fact } from '../../values';
import { takenByCar } from '../../day';
import * as fc from 'fast-check';
import { aGroup, PAN, STATIONS } from '../../testing/group-days';
import { aDay, aGuest, aPlan, at, drive } from '../../testing/small-day';
import { writtenJournal as writtenOn, type EntryFields } from '../../testing/written-journal';
import { admit, dayContext, stateOf, type JournalEntry } from '../../journal';
import { carDaysOf, faultsLeft, measuredLap, totalOf, type CarDay } from './usage';
import { drivesToCome, refuelBefore } from './refuel';
import { fuelEstimate } from './fuel';
import { wearOf } from './wear';

const day = aDay({
  guests: [
    aGuest({
      drives: [
        { id: 'd1', cars: ['c1'], laps: 5 },
        { id: 'd2', cars: ['c1'], laps: 5 },
      ],
    }),
  ],
});
const context = dayContext(day, aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'd2' })] }));
/** The entries of a day on which these things happened. */
function writtenJournal(events: readonly [string, EntryFields][]) {
  const journal = writtenOn(day, context.schedule.plan);
  for (const [time, fields] of events) journal.enter(time, fields);
  return journal.entries;
}
const ready: [string, EntryFields][] = [
  ['09:00', { kind: 'guestArrived', guest: 'g1' }],
  ['09:01', { kind: 'waiverSigned', guest: 'g1' }],
  ['09:02', { kind: 'licenceSeen', guest: 'g1' }],
  ['09:03', { kind: 'helmetFitted', guest: 'g1' }],
];
const driven: [string, EntryFields][] = [
  ...ready,
  ['09:57', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }],
  ['10:00', { kind: 'released', drive: 'd1' }],
  ...['10:01:25', '10:02:45', '10:04:05', '10:05:26', '10:06:46'].map((time): [string, EntryFields] => [
    time,
    { kind: 'lapCounted', drive: 'd1', source: 'hand' },
  ]),
  ['10:07', { kind: 'broughtIn', drive: 'd1' }],
  ['10:09', { kind: 'parked', drive: 'd1' }],
];
const stateAfter = (more: [string, EntryFields][], time = '10:30') =>
  stateOf(context, writtenJournal([...driven, ...more]), at(time));

describe('The fuel in a car', () => {
  it('is what was there less the laps, and less certain with each lap', () => {
    const fresh = fuelEstimate(50, 1.5, 0, []);
    const later = fuelEstimate(50, 1.5, 10, []);
    expect([fresh.litres, later.litres]).toEqual([50, 35]);
    expect(later.withinL).toBeGreaterThan(fresh.withinL);
  });

  it('is corrected by a reading, which corrects the laps to come as well', () => {
    const marks = [{ atS: 0, litres: 30, withinL: 1, laps: 10 }];
    const read = fuelEstimate(50, 1.5, 10, marks);
    expect(read.litres).toBe(30);
    expect(read.perLapL).toBeGreaterThan(1.5);
    expect(read.perLapL).toBeLessThan(2);
    // A gauge that only shows quarters corrects less than litres do.
    const vague = fuelEstimate(50, 1.5, 10, [{ ...marks[0]!, withinL: 6 }]);
    expect(vague.perLapL).toBeLessThan(read.perLapL);
    expect(vague.withinL).toBeGreaterThan(read.withinL);
  });

  it('tells nothing of laps where somebody has filled up', () => {
    expect(fuelEstimate(20, 1.5, 5, [{ atS: 0, litres: 60, withinL: 1, laps: 5 }]).perLapL).toBe(1.5);
  });

  it('never gets less certain of a lap with more readings', () => {
    const level = fc.record({
      litres: fc.double({ min: 1, max: 60, noNaN: true }),
      laps: fc.integer({ min: 0, max: 40 }),
      withinL: fc.double({ min: 0.5, max: 8, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(level, { maxLength: 6 }), (levels) => {
        const marks = levels.sort((a, b) => a.laps - b.laps).map((mark) => ({ atS: 0, ...mark }));
        let last = Infinity;
        for (let count = 0; count <= marks.length; count++) {
          const { perLapWithinL, litres } = fuelEstimate(60, 1.5, 40, marks.slice(0, count));
          expect(perLapWithinL).toBeLessThanOrEqual(last + 1e-12);
          expect(litres).toBeGreaterThanOrEqual(0);
          last = perLapWithinL;
        }
      }),
    );
  });
});

describe('Refuelling', () => {
  const toCome = [1, 2, 3].map((number) => ({
    drive: `d${number}`,
    guest: 'Ines Faro',
    startS: number * 1000,
    releaseS: number * 1000 + 240,
    laps: 5,
  }));
  const estimate = { litres: 24, withinL: 1, perLapL: 1.5, perLapWithinL: 0.1 };

  it('is asked for before the drive that would go below the reserve', () => {
    // 24 − 1 less 7.5 a drive: 15.5, 8, …
    expect(refuelBefore(estimate, 10, 60, toCome, [])!.before.drive).toBe('d2');
    expect(refuelBefore(estimate, 5, 60, toCome, [])!.before.drive).toBe('d3');
    expect(refuelBefore({ ...estimate, litres: 50 }, 10, 60, toCome, [])).toBeUndefined();
  });

  it('is not, where the plan has it before', () => {
    expect(refuelBefore(estimate, 10, 60, toCome, [1500])).toBeUndefined();
    expect(refuelBefore(estimate, 10, 60, toCome, [2500])!.before.drive).toBe('d2');
  });

  it('looks at drives that have not begun, in their order', () => {
    const state = stateAfter([]);
    const left = drivesToCome(
      takenByCar(context.schedule).get('c1')!,
      (of) => of.kind === 'drive' && state.drives.get(of.planned.drive)?.stage !== 'planned',
    );
    expect(left.map(({ drive: id, laps, guest }) => [id, laps, guest])).toEqual([['d2', 5, 'Ines Faro']]);
  });
});

describe('What a car did on a day', () => {
  it('counts what it did in a group: laps, kilometres, and the guest who drove it', () => {
    const group = aGroup({ id: 'train', members: ['g1'], cars: ['c1'], needsBriefing: false });
    const it = writtenOn({ ...day, version: 2, groups: [group] }, aPlan());
    it.clear('g1');
    const crew = [{ role: 'lead' as const, instructor: 'i1' }];
    it.enter('09:30', { kind: 'groupBegan', group: 'train', guests: ['g1'], cars: ['c1'], crew });
    it.enter('09:40', { kind: 'groupReleased', group: 'train' });
    for (const time of ['09:42', '09:44', '09:46']) it.enter(time, { kind: 'groupLapCounted', group: 'train' });
    it.enter('09:48', { kind: 'groupEnded', group: 'train' });
    const [usage] = carDaysOf(it.context, it.state('10:00'));
    expect([usage!.laps, usage!.drives, usage!.guests, usage!.drivenS]).toEqual([3, 1, 1, 480]);
    expect(usage!.km).toBeCloseTo((3 * day.circuit.lapLengthM) / 1000, 6);
    expect(usage!.fuelL).toBeCloseTo(3 * day.cars[0]!.fuel.perLapL, 6);
  });

  it('counts hours and kilometres on low grip, where no laps are counted', () => {
    const group = aGroup({
      ...{ id: 'pan', members: ['g1'], cars: ['c1'], needsBriefing: false, surface: 'pan' },
      ...{ programme: STATIONS, roles: [{ role: 'lead', count: 1 }] },
    });
    const it = writtenOn({ ...day, version: 2, surfaces: [PAN], groups: [group] }, aPlan());
    it.clear('g1');
    const crew = [{ role: 'lead' as const, instructor: 'i1' }];
    it.enter('09:30', { kind: 'groupBegan', group: 'pan', guests: ['g1'], cars: ['c1'], crew });
    it.enter('09:40', { kind: 'groupReleased', group: 'pan' });
    const run = { passed: true, spins: 0, stops: 0 };
    it.enter('09:50', { kind: 'stationRun', group: 'pan', guest: 'g1', station: 'Slalom', ...run });
    it.enter('10:00', { kind: 'groupEnded', group: 'pan' });
    const [usage] = carDaysOf(it.context, it.state('10:10'));
    expect([usage!.drives, usage!.drivenS, usage!.laps]).toEqual([1, 1200, 0]);
    // A lap behind the leader of 150 s and a run of 60 s, at 8 m/s.
    expect(usage!.km).toBeCloseTo(((150 + 60) * 8) / 1000, 6);
  });

  it('is counted from the journal', () => {
    const [usage] = carDaysOf(context, stateAfter([]));
    expect([usage!.laps, usage!.drives, usage!.guests, usage!.drivenS]).toEqual([5, 1, 1, 420]);
    expect(usage!.km).toBeCloseTo((5 * day.circuit.lapLengthM) / 1000, 6);
    expect(usage!.lap!.count).toBe(4);
    expect(usage!.lap!.medianS).toBeCloseTo(80 / (day.guests[0]!.pace * day.condition.paceFactor), 1);
  });

  it('leaves spoiled laps out of what was measured', () => {
    const [usage] = carDaysOf(
      context,
      stateAfter([['10:10', { kind: 'lapSpoiled', drive: 'd1', lap: 3, reason: 'passed' }]]),
    );
    expect(usage!.lap!.count).toBe(3);
  });

  it('says nothing of a car that stood', () => {
    expect(carDaysOf(context, stateOf(context, writtenJournal(ready), at('12:00')))).toEqual([]);
  });

  it('adds up over days', () => {
    const [usage] = carDaysOf(context, stateAfter([]));
    const other: CarDay = { ...usage!, date: '2027-05-01', laps: 7, lap: { medianS: 90, count: 4 } };
    expect(totalOf([usage!, other]).laps).toBe(12);
    expect(measuredLap([usage!, other])!.count).toBe(8);
    expect(measuredLap([{ ...usage!, lap: null }])).toBeUndefined();
  });
});

describe('Wear', () => {
  const dayOf = (
    date: string,
    laps: number,
    drives: number,
    services: Omit<CarDay['services'][number], 'by'>[] = [],
  ): CarDay => ({
    date,
    car: 'c1',
    laps,
    km: laps * 2,
    drivenS: 0,
    drives,
    guests: drives,
    fuelL: 0,
    lap: null,
    services: services.map((service) => ({ by: 'Garage', ...service })),
    faults: [],
    repaired: [],
  });
  const per = { heatMJ: 5, lapKm: 2 };

  it('counts since the part was last replaced, to the lap', () => {
    const days = [dayOf('2027-05-02', 20, 4), dayOf('2027-05-01', 10, 2, [{ what: 'tyres', laps: 4, starts: 1 }])];
    const [brakes, tyres, clutch] = wearOf(days, {}, per, []);
    expect([brakes!.used, tyres!.used, clutch!.used]).toEqual([150, (6 + 20) * 2, 6]);
  });

  it('names the drive at which the limit is reached, else the days that are left', () => {
    const toCome = [
      { drive: 'd8', guest: 'x', startS: 0, releaseS: 500, laps: 5 },
      { drive: 'd9', guest: 'x', startS: 1000, releaseS: 1500, laps: 5 },
    ];
    const days = [dayOf('2027-05-01', 20, 4)];
    const at88 = wearOf(days, { tyresKm: 58 }, per, toCome).find(({ part }) => part === 'tyres')!;
    expect(at88.reachedBy).toEqual({ drive: 'd9', atS: 1500 });
    const later = wearOf(days, { tyresKm: 200 }, per, toCome).find(({ part }) => part === 'tyres')!;
    expect([later.reachedBy, later.inDays]).toEqual([undefined, 4]);
  });
});

describe('The garage in the journal', () => {
  const fault = { kind: 'faultFound', car: 'c1', where: 'brakes', what: 'pedal long', severity: 'watch' } as const;

  it('keeps where a car stands, its card, its walk-rounds and its parts', () => {
    const state = stateAfter([
      ['10:11', { kind: 'carStalled', car: 'c1', stall: 3, lock: 'right' }],
      ['10:12', { kind: 'cardMoved', car: 'c1', card: 'in', charged: true }],
      ['10:13', { kind: 'walkRoundDone', car: 'c1', when: 'end', items: ['Tyres'] }],
      ['10:14', { kind: 'serviced', car: 'c1', what: 'brakes', note: 'replaced' }],
      ['10:15', { kind: 'carsCounted', cars: ['c1'] }],
      ['10:16', { kind: 'fuelRead', car: 'c1', litres: 20, withinL: 4 }],
    ]);
    const it = state.garage.cars.get('c1')!;
    expect([it.stall, it.lock, it.card!.where, it.walkRounds.length]).toEqual([3, 'right', 'in', 1]);
    expect(it.services[0]).toEqual(jasmine.objectContaining({ what: 'brakes', laps: 5 }));
    expect(it.fuelMarks).toEqual([{ atS: at('10:16'), litres: 20, withinL: 4, laps: 5 }]);
    expect(state.garage.counted!.cars).toEqual(['c1']);
  });

  it('knows a fault until it is mended, and mends it once', () => {
    const journal = writtenJournal([...driven, ['10:11', fault]]);
    const id = journal.at(-1)!.entry.id;
    expect(stateOf(context, journal, at('10:12')).garage.cars.get('c1')!.faults[0]!.repairedS).toBeUndefined();
    const repaired = {
      id: 'mended-12345',
      at: at('10:20'),
      by: 'Garage',
      kind: 'faultMended',
      fault: id,
    } as JournalEntry;
    expect(admit(context, journal, repaired)).toEqual({ admitted: true });
    const after = [...journal, { seq: journal.length + 1, recordedAt: '', entry: repaired }];
    expect(stateOf(context, after, at('10:21')).garage.cars.get('c1')!.faults[0]!.repairedS).toBe(at('10:20'));
    expect(admit(context, after, { ...repaired, id: 'mended-67890' })).toEqual({
      admitted: false,
      refusal: fact('faultMendedAlready', {}),
    });
    const days = carDaysOf(context, stateOf(context, journal, at('10:12')));
    expect(faultsLeft(days, new Set()).map(({ what, date }) => [what, date])).toEqual([['pedal long', day.date]]);
    expect(faultsLeft(days, new Set([id]))).toEqual([]);
    const next = { ...days[0]!, date: '2027-05-23', faults: [], repaired: [id] };
    expect(faultsLeft([...days, next], new Set())).toEqual([]);
  });

  it('refuses what names a car that is not there', () => {
    expect(admit(context, [], { ...fault, id: 'fault-123456', at: at('09:00'), by: 'Garage', car: 'c77' })).toEqual({
      admitted: false,
      refusal: fact('unknown', { id: 'c77' }, { kind: 'car' }),
    });
  });

  it('doubts a cone until somebody has looked at it', () => {
    const doubts = (more: [string, EntryFields][]) => stateAfter(more).garage.cones.get('Boathouse-apex')?.doubt;
    const looked: [string, EntryFields] = ['10:11', { kind: 'conesChecked', cones: ['Boathouse-apex'] }];
    const doubted: [string, EntryFields] = [
      '10:12',
      { kind: 'coneDoubted', cone: 'Boathouse-apex', note: 'knocked over' },
    ];
    expect(doubts([looked, doubted])).toBe('knocked over');
    expect(doubts([looked, doubted, ['10:13', { kind: 'conesChecked', cones: ['Boathouse-apex'] }]])).toBeUndefined();
  });

  it('keeps the hands of a class', () => {
    const answers: EntryFields = {
      kind: 'answersCounted',
      instructor: 'i1',
      question: 'Both pedals?',
      hands: [2, 7],
      right: 1,
    };
    expect(stateAfter([['10:11', answers]]).garage.answers[0]).toEqual(
      jasmine.objectContaining({ hands: [2, 7], right: 1 }),
    );
    const wrong = { ...answers, right: 4, id: 'answers-1234', at: at('10:11'), by: 'x' } as JournalEntry;
    expect(admit(context, [], wrong)).toEqual({
      admitted: false,
      refusal: fact('noSuchAnswer', {}),
    });
  });
});
