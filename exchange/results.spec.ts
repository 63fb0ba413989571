import { vocabularyOf } from '@core/people/coaching';
import { guestResult } from '@core/people/coaching';
import { aDay, aPlan, drive } from '@core/testing/small-day';
import { writtenJournal, type EntryFields } from '@core/testing/written-journal';
import { guestWords } from '@words/guests';
import { resultSheet, type ResultSource } from './results';

/** Ines Faro has driven five laps, one of them spoiled, and two were timed as one. */
function result() {
  const it = writtenJournal(aDay(), aPlan({ drives: [drive('10:00')] }));
  const enter = (time: string, fields: EntryFields) => expect(it.enter(time, fields)).toMatch(/^entry/);
  for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
    enter('09:00', { kind, guest: 'g1' });
  }
  enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  enter('10:00', { kind: 'released', drive: 'd1' });
  enter('10:01:30', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
  enter('10:02:50', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
  enter('10:04:20', { kind: 'lapsSettled', drive: 'd1', crossings: 3 });
  enter('10:05:30', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
  enter('10:06:47', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
  enter('10:08', { kind: 'parked', drive: 'd1' });
  const marks = [
    { fault: 'brakes-too-long', corner: 'Winch' },
    { fault: 'eyes-near', corner: 'Slip' },
  ];
  enter('10:09', { kind: 'driveMarked', drive: 'd1', marks, good: 'smooth hands' });
  return guestResult(it.context, it.state('12:00'), 'g1', vocabularyOf([]))!;
}
const square = [
  [0, 0],
  [500, 0],
  [500, 500],
  [0, 500],
].map(([xM, yM]) => ({ xM: xM!, yM: yM! }));
const map = {
  line: square,
  corners: [
    { name: 'Winch', atM: 500 },
    { name: 'Slip', atM: 1000 },
  ],
} as unknown as NonNullable<ResultSource['map']>;
const sheet = (more: Partial<ResultSource> = {}) =>
  resultSheet({
    venue: 'Test field',
    date: '2027-05-22',
    circuit: 'Loop',
    result: result(),
    map: null,
    words: guestWords('en'),
    ...more,
  });

describe('The page that a guest takes home', () => {
  it('has the name, laps, best lap and each drive with its times', () => {
    const text = JSON.stringify(sheet().content);
    expect(text).toContain('Ines Faro');
    expect(text).toMatch(/Test field · Loop · Saturday,? 22 May 2027/);
    const { laps, best } = result();
    expect(text).toContain(`{"text":"${laps}","fontSize":26`);
    expect(best!.lapS).toBe(77);
    expect(text).toContain('1:17.0');
    expect(text).toContain('two laps in');
    expect(text).toContain('Good: smooth hands');
    expect(text).toContain('One thing for next time');
  });

  it('has a bead for each lap that was driven, also where two were timed as one', () => {
    const beads = JSON.stringify(sheet().content).match(/"type":"ellipse"/g) ?? [];
    expect(beads.length).toBe(result().laps);
  });

  it('has no code to scan: no guest can open the venue’s own pages', () => {
    expect(JSON.stringify(sheet().content)).not.toMatch(/"qr"|https?:/);
  });

  it('draws the circuit where there is a map, with the guest’s marks at their corners', () => {
    expect(JSON.stringify(sheet().content)).not.toContain('<svg');
    const drawn = JSON.stringify(sheet({ map }).content);
    expect(drawn).toContain('<svg');
    const circles = [...drawn.matchAll(/<circle cx=\\"(-?\d+)\\" cy=\\"(-?\d+)\\"/g)].map(([, x, y]) => [
      Number(x),
      Number(y),
    ]);
    expect(circles).toEqual([
      [500, 0],
      [500, -500],
    ]);
  });

  it('says nothing of gain, best lap or things to work on where there is none', () => {
    const none = {
      ...result(),
      best: undefined,
      gainS: undefined,
      oneThing: undefined,
      good: [],
      noLonger: [],
      drives: [],
    };
    const text = JSON.stringify(sheet({ result: none }).content);
    for (const words of ['best lap', 'quicker', 'One thing', 'What you can do now', 'undefined', 'NaN']) {
      expect(text).not.toContain(words);
    }
  });
});
