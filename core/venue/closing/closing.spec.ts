import { aDay, aGuest, aPlan, at, drive } from '../../testing/small-day';
import { inEnglish } from '../../testing/in-english';
import { writtenJournal, type EntryFields } from '../../testing/written-journal';
import { closeOfDay, figureText, type CloseFigure } from './close-of-day';

const day = aDay({
  guests: [
    aGuest({
      briefed: true,
      sighted: false,
      drives: [
        { id: 'd1', cars: ['c1'], laps: 5 },
        { id: 'd2', cars: ['c1'], laps: 5 },
      ],
    }),
    aGuest({ id: 'g2', name: 'Rui Faro', drives: [] }),
  ],
});

function closed(more: [string, EntryFields][] = []) {
  const plan = aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'd2' })] });
  const journal = writtenJournal(day, plan);
  const events: [string, EntryFields][] = [
    ['09:00', { kind: 'guestArrived', guest: 'g1' }],
    ['09:01', { kind: 'waiverSigned', guest: 'g1' }],
    ['09:02', { kind: 'licenceSeen', guest: 'g1' }],
    ['09:03', { kind: 'helmetFitted', guest: 'g1' }],
    ['09:20', { kind: 'sightingBegan', vehicle: 's1', instructor: 'i1', guests: ['g1'] }],
    ['09:30', { kind: 'sightingEnded', vehicle: 's1' }],
    ['09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }],
    ['10:00', { kind: 'released', drive: 'd1' }],
    ...['10:02', '10:04', '10:06'].map((time): [string, EntryFields] => [
      time,
      { kind: 'lapCounted', drive: 'd1', source: 'hand' },
    ]),
    ['10:07', { kind: 'brokenOff', drive: 'd1', reason: 'unwell' }],
    ['10:10', { kind: 'parked', drive: 'd1' }],
    ['10:16', { kind: 'debriefed', drive: 'd1' }],
    ['10:20', { kind: 'guestNoShow', guest: 'g2' }],
    ...more,
  ];
  for (const [time, fields] of events) expect(journal.enter(time, fields)).toMatch(/^entry/);
  const money = [
    { guest: 'g1', price: 300, paid: 120 },
    { guest: 'g2', price: 100, paid: 100 },
  ];
  return closeOfDay({ context: journal.context, state: journal.state('18:00'), entries: journal.entries, money });
}
const figure = (close: ReturnType<typeof closed>, key: CloseFigure['key']) =>
  close.figures.find((one) => one.key === key)!;

describe('The close of a day', () => {
  it('adds up drives, laps, people and money, beside what was planned', () => {
    const close = closed();
    const of = (key: CloseFigure['key']) => [figure(close, key).value, figure(close, key).planned];
    expect(of('drivesDone')).toEqual([1, 2]);
    expect(of('lapsDriven')).toEqual([3, 10]);
    expect(of('lapsOwed')[0]).toBe(2);
    expect([of('guests')[0], of('noShows')[0]]).toEqual([1, 1]);
    expect([of('moneyTaken')[0], of('moneyDue')[0]]).toEqual([220, 180]);
    expect(of('crewHours')[0]).toBeCloseTo((at('10:16') - at('09:56')) / 3600, 6);
  });

  it('counts laps that were sold on the day to what is due, and not those that were given', () => {
    const close = closed([
      ['10:30', { kind: 'extraLapGranted', drive: 'd2', price: 29.5 }],
      ['10:31', { kind: 'extraLapGranted', drive: 'd2' }],
      ['10:32', { kind: 'moneyReceived', guest: 'g1', amount: 20.1, means: 'cash' }],
      ['10:33', { kind: 'moneyReceived', guest: 'g1', amount: 0.2, means: 'cash' }],
    ]);
    expect(figure(close, 'moneyTaken').planned).toBe(429.5);
    expect(figure(close, 'moneyDue').value).toBeCloseTo(180 + 29.5 - 20.3, 6);
    expect([figure(close, 'moneyCash').value, figure(close, 'moneyCash').entries.length]).toEqual([20.3, 2]);
  });

  it('measures waiting from the sighting run, or the debrief before, to the seat', () => {
    expect(figure(closed(), 'waitWorst').value).toBe(26);
    const [worst, beyond] = ['waitWorst', 'waitBeyond'].map((key) => figure(closed(), key as never));
    // What was planned as a pause is told beside what nobody had planned.
    expect(beyond!.value).toBeCloseTo(26 - worst!.planned!, 6);
    expect(beyond!.entries.length).toBe(1);
  });

  it('is read in units, and money in the currency of the venue', () => {
    expect(figureText({ unit: 'money' }, 1220.4, 'GBP')).toBe('£1,220');
    expect(figureText({ unit: 'h' }, 6.25, 'GBP')).toBe('6.3 h');
    expect(figureText({ unit: '' }, 12, 'GBP')).toBe('12');
    expect(figureText({ unit: 'l' }, undefined, 'GBP')).toBe('');
  });

  it('gives the entries that a figure is made of', () => {
    const close = closed([
      ['10:30', { kind: 'faultFound', car: 'c1', where: 'front', what: 'scratch', severity: 'watch' }],
    ]);
    expect(figure(close, 'lapsDriven').entries.length).toBe(3);
    expect([figure(close, 'faultsOpen').value, figure(close, 'faultsOpen').entries.length]).toEqual([1, 1]);
  });

  it('says what is left to do before tomorrow', () => {
    const close = closed([
      ['10:30', { kind: 'carHeld', car: 'c1', reason: 'brakes' }],
      ['10:31', { kind: 'coneDoubted', cone: 'Winch-apex', note: 'knocked over' }],
    ]);
    expect(close.toDo.map(inEnglish(day).toDo)).toEqual([
      '2 laps are owed to Ines Faro.',
      'Dunnock Cup is out of service: brakes.',
      'Cone Winch-apex: knocked over.',
      '1 guest has a balance due.',
    ]);
  });

  it('is there for a day on which nothing has happened', () => {
    const journal = writtenJournal(day, aPlan());
    const close = closeOfDay({ context: journal.context, state: journal.state('09:00'), entries: [], money: [] });
    expect(close.figures.every(({ value }) => Number.isFinite(value))).toBe(true);
    expect(close.toDo).toEqual([]);
  });
});
