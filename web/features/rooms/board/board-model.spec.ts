import { startsOf } from '@core/live/drift';
import { dayContext, stateOf, type DayState, type RecordedEntry } from '@core/journal';
import type { EntryFields } from '@core/testing/written-journal';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '@core/testing/small-day';
import { EVEN_RING, runnersOf } from '@core/live/traffic';
import { pitExitModel } from '../../stations/pit-exit/pit-exit-model';
import { type Block } from './blocks';
import { boardRows } from './board-model';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] })],
});
const plan = aPlan({
  drives: [drive('10:00'), drive('10:30', { drive: 'd2', car: 'c2', instructor: 'i2' })],
  refuels: [{ car: 'c1', start: at('09:00') }],
});
const context = dayContext(day, plan);

const stateAt = (time: string, ...written: [string, EntryFields][]) => {
  const entries = written.map(([when, fields], place): RecordedEntry => ({
    seq: place + 1,
    recordedAt: '',
    entry: { ...fields, id: `entry-000${place}`, at: at(when), by: 'Test' },
  }));
  return stateOf(context, entries, at(time));
};
const blockOf = (state: ReturnType<typeof stateAt>, row: number): Block =>
  boardRows(context, state, 'cars')[row]!.blocks.find(({ kind }) => kind === 'drive')!;

describe('The rows of the board', () => {
  it('has a row for each car with its drives and refuels, and other rows by crew and by guest', () => {
    const state = stateAt('08:00');
    expect(boardRows(context, state, 'cars').map(({ blocks }) => blocks.map(({ kind }) => kind))).toEqual([
      ['drive', 'other'],
      ['drive'],
      [],
    ]);
    expect(boardRows(context, state, 'crew').map(({ name }) => name)).toEqual(['Anselm Holt', 'Ife Okoro']);
    expect(boardRows(context, state, 'guests').map(({ name }) => name)).toEqual(['Ines Faro', 'Piet Verhoeve']);
  });

  it('passes over drives of bookings that have been taken off since the plan was made', () => {
    const fewer = dayContext({ ...day, guests: day.guests.slice(0, 1) }, plan);
    const rows = boardRows(fewer, stateOf(fewer, [], at('08:00')), 'cars');
    expect(rows.map(({ blocks }) => blocks.filter(({ kind }) => kind === 'drive').length)).toEqual([1, 0, 0]);
  });

  it('tells planned, late, running and done drives apart', () => {
    const status = (...args: Parameters<typeof stateAt>) => (blockOf(stateAt(...args), 0) as { status: string }).status;
    const seat: [string, EntryFields] = ['09:57', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }];
    expect(status('09:50')).toBe('planned');
    expect(status('09:58')).toBe('late');
    expect(status('09:58', seat)).toBe('now');
    expect(
      status(
        '10:20',
        seat,
        ['10:00', { kind: 'released', drive: 'd1' }],
        ['10:07', { kind: 'broughtIn', drive: 'd1' }],
        ['10:08', { kind: 'parked', drive: 'd1' }],
        ['10:10', { kind: 'debriefed', drive: 'd1' }],
      ),
    ).toBe('done');
    expect(status('10:20', ['09:40', { kind: 'guestNoShow', guest: 'g1' }])).toBe('gone');
  });

  it('draws a drive where it happened rather than where it was planned', () => {
    const block = blockOf(
      stateAt(
        '10:20',
        ['10:02', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }],
        ['10:05', { kind: 'released', drive: 'd1' }],
      ),
      0,
    );
    expect([block.startS, (block as { releaseS: number }).releaseS]).toEqual([at('10:02'), at('10:05')]);
    // It should have been in at 10:11:40 and is still out.
    expect((block as { trackEndS: number }).trackEndS).toBe(at('10:20'));
  });
});

describe('The lists of the pit exit', () => {
  const arrive = (guest: string): [string, EntryFields][] =>
    (['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const).map((kind) => [
      '09:00',
      { kind, guest },
    ]);
  const view = { carNumbers: { c1: 1, c2: 9 }, stalls: { c1: 4 }, pitExit: { lastCheck: ['Strap'] } };
  const modelAt = (state: DayState) =>
    pitExitModel(context, state, view, runnersOf(context, state, EVEN_RING), EVEN_RING, startsOf(context, undefined));

  it('lists who is to be seated soon, who waits, and who is out', () => {
    const base: [string, EntryFields][] = [...arrive('g1'), ...arrive('g2')];
    const before = modelAt(stateAt('09:50', ...base));
    expect(before.toSeat.map(({ guest, number }) => [guest, number])).toEqual([['Ines Faro', 1]]);
    const seated: [string, EntryFields][] = [
      ...base,
      ['09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }],
    ];
    expect(modelAt(stateAt('09:58', ...seated)).queue[0]!.note).toBe('planned out in 2 min');
    const out = modelAt(
      stateAt(
        '10:02',
        ...seated,
        ['10:00', { kind: 'released', drive: 'd1' }],
        ['10:01:20', { kind: 'lapCounted', drive: 'd1', source: 'hand' }],
      ),
    );
    expect(out.queue).toEqual([]);
    expect(out.onCircuit.map(({ done, due, note }) => [done, due, note])).toEqual([[1, 5, 'in about 40 s']]);
    expect(out.vehicles).toBe(1);
  });

  it('says how far behind the plan a guest is', () => {
    const late = modelAt(stateAt('10:00', ...arrive('g1')));
    expect(late.toSeat[0]!.note).toBe('4 min behind the plan');
  });
});
