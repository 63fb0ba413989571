import { dayContext, stateOf, type RecordedEntry } from '@core/journal';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '@core/testing/small-day';
import { type BoardMode } from './blocks';
import { boardRows, spanOf } from './board-model';

const [holt, okoro] = [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })];
const newcomer = aGuest({ briefed: false, sighted: false, drives: [{ id: 'd1', cars: ['c1'], laps: 6 }] });
const day = aDay({
  cars: [aCar({ cooling: { afterLaps: 10, restS: 1200 }, available: [{ from: at('08:30'), to: at('17:00') }] })],
  instructors: [{ ...holt, available: [{ from: at('09:00'), to: at('16:00') }] }, okoro],
  guests: [
    newcomer,
    aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1'], laps: 6 }] }),
    aGuest({ id: 'g3', name: 'Noor Haddad', drives: [] }),
  ],
});
const [vehicle] = day.sightingVehicles;
const plan = aPlan({
  briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g1'] }],
  sightings: [{ release: at('09:40'), vehicle: vehicle!.id, instructor: 'i2', guests: ['g1'] }],
  drives: [drive('10:00'), drive('10:40', { drive: 'd2', instructor: 'i2' })],
  refuels: [{ car: 'c1', start: at('12:00') }],
});
const context = dayContext(day, plan);
const stateAt = (time: string, entries: readonly RecordedEntry[] = []) => stateOf(context, entries, at(time));
const whatIn = (mode: BoardMode, row: string, time = '08:00') =>
  boardRows(context, stateAt(time), mode)
    .find(({ name }) => name === row)!
    .blocks.map((block) => (block.kind === 'other' ? block.what : block.kind))
    .sort();

describe('What the board shows beside drives', () => {
  it('stands in the rows of cars, vehicles, classroom, crew and guests', () => {
    expect(whatIn('cars', day.cars[0]!.name)).toEqual(['away', 'away', 'cooling', 'drive', 'drive', 'fuel']);
    expect(whatIn('cars', vehicle!.name)).toEqual(['run']);
    expect(whatIn('cars', 'Classroom')).toEqual(['class']);
    expect(whatIn('crew', holt.name)).toEqual(['away', 'away', 'class', 'drive', 'meal']);
    expect(whatIn('crew', okoro.name)).toEqual(['drive', 'meal', 'run']);
    expect(whatIn('guests', newcomer.name)).toEqual(['class', 'drive', 'run']);
  });

  it('says in words what it is and when, and is past once it is over', () => {
    const [classroom] = boardRows(context, stateAt('09:30'), 'cars').filter(({ name }) => name === 'Classroom');
    expect(classroom!.blocks).toEqual([
      jasmine.objectContaining({
        label: 'class 1',
        short: '1',
        words: `Class of 1, 09:00, with ${holt.name}`,
        past: true,
      }),
    ]);
    expect(classroom!.takesDrives).toBe(false);
  });

  it('shows a rest only where the next drive would be too many laps in a row', () => {
    const patient = { ...day, cars: [{ ...day.cars[0]!, cooling: { afterLaps: 30, restS: 1200 } }] };
    const blocks = boardRows(dayContext(patient, plan), stateAt('08:00'), 'cars')[0]!.blocks;
    expect(blocks.some((block) => block.kind === 'other' && block.what === 'cooling')).toBe(false);
  });

  it('shows the rests that the crew needs, and none where the meal is one', () => {
    const worked = (restS: number, meal = holt.meal) => {
      const instructors = [{ ...holt, maxSeatS: 1800, restS, meal }, okoro];
      const second = { drive: 'd2', instructor: 'i1' };
      const drives = [drive('10:00'), drive('10:40', second)];
      const more = dayContext({ ...day, instructors }, { ...plan, drives });
      const row = boardRows(more, stateOf(more, [], at('08:00')), 'crew').find(({ name }) => name === holt.name)!;
      return row.blocks.flatMap((block) => (block.kind === 'other' && block.what === 'rest' ? [block.words] : []));
    };
    // The class of 25 minutes and a drive of 16 are more than half an hour; so are two drives.
    expect(worked(900)).toEqual([
      'Rest after 25 min of work, 09:25 to 09:40',
      'Rest after 16 min of work, 10:12 to 10:27',
    ]);
    expect(worked(3600)).toEqual([]);
    expect(worked(900, { from: at('10:10'), to: at('10:40'), durationS: 600 }).length).toBe(1);
  });

  it('puts guests in the order of what happens next, and those who have finished last, if at all', () => {
    const names = (time: string, withFinished: boolean) =>
      boardRows(context, stateAt(time), 'guests', withFinished).map(({ name }) => name);
    expect(names('08:00', false).slice(0, 2)).toEqual([newcomer.name, 'Piet Verhoeve']);
    const gone: RecordedEntry = {
      ...{ seq: 1, recordedAt: '' },
      entry: { kind: 'guestLeft', guest: 'g1', id: 'entry-0001', at: at('08:30'), by: 'Test' },
    };
    const rows = (withFinished: boolean) =>
      boardRows(context, stateAt('08:40', [gone]), 'guests', withFinished).map(({ name }) => name);
    expect(rows(false)).not.toContain(newcomer.name);
    expect(rows(true)[0]).toBe('Piet Verhoeve');
    expect(rows(true)).toContain(newcomer.name);
  });

  it('spans what is planned and now, not the opening hours', () => {
    const { fromS, toS } = spanOf(context, stateAt('09:30'));
    expect(fromS).toBe(at('08:45'));
    expect(toS).toBeGreaterThan(at('10:40'));
    expect(toS).toBeLessThan(at('11:30'));
    const empty = dayContext(day, aPlan({}));
    expect(spanOf(empty, stateOf(empty, [], at('09:00')))).toEqual({ fromS: day.opens, toS: day.closes });
  });
});
