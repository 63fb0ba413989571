import { tankOf } from '../venue/garage';
import { fact } from '../values';
import fc from 'fast-check';
import { writtenJournal, type EntryFields } from '../testing/written-journal';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { dayAsItIs, withGuestsGone } from './plan-again';
import { nextOccupancy } from './next';
import { progressOf } from './state/context';
import { stateOf } from './reduce';
import { stationCounts } from './stations';
import { vehiclesOnCircuit } from './state/day-state';
import type { RecordedEntry } from './entries/entry';

const fresh = aGuest({ briefed: false, sighted: false });
const dayPlan = aPlan({
  briefings: [{ start: at('09:05'), instructor: 'i1', guests: ['g1'] }],
  sightings: [{ release: at('09:40'), vehicle: 's1', instructor: 'i1', guests: ['g1'] }],
  drives: [drive('10:10')],
});

/** Up to the guest's seat in the car. */
function seated() {
  const it = writtenJournal(aDay({ guests: [fresh] }), dayPlan);
  it.enter('08:55', { kind: 'guestArrived', guest: 'g1' });
  it.enter('08:56', { kind: 'waiverSigned', guest: 'g1' });
  it.enter('08:57', { kind: 'licenceSeen', guest: 'g1' });
  it.enter('08:58', { kind: 'helmetFitted', guest: 'g1' });
  it.enter('09:05', { kind: 'classBegan', instructor: 'i1', guests: ['g1'] });
  it.enter('09:30', { kind: 'classEnded', instructor: 'i1', guests: ['g1'] });
  it.enter('09:40', { kind: 'sightingBegan', vehicle: 's1', instructor: 'i1', guests: ['g1'] });
  it.enter('09:45', { kind: 'sightingEnded', vehicle: 's1' });
  it.enter('10:06', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  return it;
}

describe('The journal', () => {
  it('leads a guest from the gate to the last lap and on to the desk', () => {
    const it = seated();
    expect(
      ['08:50', '08:55', '08:58', '09:10', '09:30', '09:41', '09:46', '09:55', '10:06'].map((t) => it.stage(t)),
    ).toEqual(['expected', 'arrived', 'cleared', 'inClass', 'briefed', 'onSighting', 'seen', 'waiting', 'seated']);
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    for (const time of ['10:11', '10:12', '10:13', '10:14', '10:15']) {
      it.enter(time, { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    }
    const running = it.state('10:13:30');
    expect(running.guests.get('g1')!.stage).toBe('onCircuit');
    expect(progressOf(it.context, running.drives.get('d1')!)).toEqual({ done: 3, due: 5 });
    it.enter('10:15:30', { kind: 'broughtIn', drive: 'd1' });
    it.enter('10:17', { kind: 'parked', drive: 'd1' });
    expect(it.stage('10:17')).toBe('inDebrief');
    it.enter('10:20', { kind: 'debriefed', drive: 'd1' });
    expect(it.stage('10:20')).toBe('debriefed');
    expect(stationCounts(it.state('10:20')).desk).toBe(1);
    it.enter('10:30', { kind: 'deskDone', guest: 'g1' });
    expect(it.stage('10:30')).toBe('finished');
  });

  it('follows car and instructor through the drive', () => {
    const it = seated();
    const car = (time: string) => it.state(time).cars.get('c1')!;
    expect(car('10:07').status).toBe('seated');
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    it.enter('10:12', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    expect(car('10:12').status).toBe('onCircuit');
    expect(tankOf(it.state('10:12'), car('10:12')).litres).toBe(59);
    expect(it.state('10:12').crew.get('i1')!.status).toBe('busy');
    it.enter('10:13', { kind: 'broughtIn', drive: 'd1' });
    it.enter('10:14', { kind: 'parked', drive: 'd1' });
    expect(car('10:15').status).toBe('turnaround');
    expect(car('10:16').status).toBe('ready');
    expect(it.state('10:15').crew.get('i1')!.status).toBe('busy');
    it.enter('10:16', { kind: 'debriefed', drive: 'd1' });
    expect(it.state('10:16').crew.get('i1')!.status).toBe('free');
    expect(it.state('18:30').crew.get('i1')!.status).toBe('off');
  });

  it('counts from the first time across the line where the lap out does not count', () => {
    const day = aDay({ guests: [fresh] });
    const it = writtenJournal({ ...day, rules: { ...day.rules, outLapCounts: false } }, aPlan());
    it.entries.push(...seated().entries);
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    it.enter('10:11', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    expect(progressOf(it.context, it.state('10:11').drives.get('d1')!).done).toBe(0);
    it.enter('10:12', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    expect(progressOf(it.context, it.state('10:12').drives.get('d1')!).done).toBe(1);
  });

  it('shows the past as it was: what is entered later is not yet so', () => {
    const it = seated();
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    expect(it.stage('09:10')).toBe('inClass');
  });
});

describe('An entry that cannot be', () => {
  it('is refused: seated before the gate has cleared the guest', () => {
    const it = writtenJournal(aDay(), aPlan({ drives: [drive('10:00')] }));
    const seat: EntryFields = { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' };
    expect(it.enter('09:50', seat)).toBe('Ines Faro has not arrived yet.');
    it.enter('09:50', { kind: 'guestArrived', guest: 'g1' });
    it.enter('09:51', { kind: 'waiverSigned', guest: 'g1' });
    expect(it.enter('09:52', seat)).toBe('Ines Faro is not cleared at the gate yet: licence, helmet missing.');
  });

  it('is refused: let out without sitting in the car, or twice', () => {
    const it = seated();
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    expect(it.enter('10:11', { kind: 'released', drive: 'd1' })).toBe(
      "Ines Faro is on the circuit and can't be let out.",
    );
  });

  it('is refused: a sixth car where five are allowed, until one comes in', () => {
    const ids = ['1', '2', '3', '4', '5', '6'];
    const day = aDay({
      cars: ids.map((n) => aCar({ id: `c${n}`, name: `Car ${n}` })),
      instructors: ids.map((n) => anInstructor({ id: `i${n}`, name: `Instructor ${n}` })),
      guests: ids.map((n) =>
        aGuest({ id: `g${n}`, name: `Guest ${n}`, drives: [{ id: `d${n}`, cars: [`c${n}`], laps: 5 }] }),
      ),
    });
    const it = writtenJournal(day, aPlan());
    for (const n of ids) {
      it.enter('09:00', { kind: 'guestArrived', guest: `g${n}` });
      it.enter('09:00', { kind: 'waiverSigned', guest: `g${n}` });
      it.enter('09:00', { kind: 'licenceSeen', guest: `g${n}` });
      it.enter('09:00', { kind: 'helmetFitted', guest: `g${n}` });
      it.enter('09:30', { kind: 'seated', drive: `d${n}`, car: `c${n}`, instructor: `i${n}` });
    }
    const answers = ids.map((n) => it.enter('09:40', { kind: 'released', drive: `d${n}` }));
    expect(answers.slice(0, 5).every((answer) => answer.startsWith('entry-'))).toBe(true);
    expect(answers[5]).toBe('5 cars are on the circuit, and 5 are allowed: bring one in first.');
    expect(vehiclesOnCircuit(it.state('09:40'))).toBe(5);
    it.enter('09:41', { kind: 'broughtIn', drive: 'd1' });
    expect(it.enter('09:42', { kind: 'released', drive: 'd6' })).toMatch(/^entry-/);
  });

  it('is refused: a release while the circuit is closed', () => {
    const closures = [{ from: at('10:00'), to: at('10:30'), reason: 'quiet half-hour' }];
    const it = writtenJournal(
      aDay({ guests: [fresh], circuit: { name: 'Loop', lapLengthM: 2000, closures } }),
      dayPlan,
    );
    it.entries.push(...seated().entries);
    expect(it.enter('10:10', { kind: 'released', drive: 'd1' })).toBe(
      'The circuit is closed until 10:30 (quiet half-hour).',
    );
    expect(it.enter('10:30', { kind: 'released', drive: 'd1' })).toMatch(/^entry-/);
  });

  it('is refused: into a held car, or beside an instructor who is busy', () => {
    const day = aDay({
      guests: [
        aGuest(),
        aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1', 'c2'], laps: 5 }] }),
      ],
      cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
    });
    const it = writtenJournal(day, aPlan());
    for (const guest of ['g1', 'g2']) {
      for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const)
        it.enter('09:00', { kind, guest });
    }
    it.enter('09:10', { kind: 'carHeld', car: 'c1', reason: 'brake pedal long' });
    expect(it.enter('09:20', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' })).toBe(
      'Dunnock Cup is held: brake pedal long.',
    );
    it.enter('09:21', { kind: 'carReady', car: 'c1' });
    it.enter('09:22', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    expect(it.enter('09:23', { kind: 'seated', drive: 'd2', car: 'c2', instructor: 'i1' })).toBe(
      'Anselm Holt is with Ines Faro.',
    );
    expect(it.enter('09:23', { kind: 'seated', drive: 'd2', car: 'c1', instructor: 'i1' })).toBe(
      'Dunnock Cup is taken by Ines Faro.',
    );
  });

  it('is refused: about people, cars and drives that the day does not know', () => {
    const it = writtenJournal(aDay(), aPlan());
    expect(it.enter('09:00', { kind: 'guestArrived', guest: 'gX' })).toBe('There is no guest "gX" today.');
    expect(it.enter('09:00', { kind: 'released', drive: 'dX' })).toBe('There is no drive "dX" today.');
    expect(it.enter('09:00', { kind: 'carHeld', car: 'cX', reason: 'tyre' })).toBe('There is no car "cX" today.');
    expect(it.enter('09:00', { kind: 'breakBegan', instructor: 'iX', what: 'meal' })).toBe(
      'There is no instructor "iX" today.',
    );
  });
});

describe('A correction', () => {
  it('takes an entry back by a new one', () => {
    const it = writtenJournal(aDay(), aPlan());
    const arrived = it.enter('09:00', { kind: 'guestArrived', guest: 'g1' });
    expect(it.stage('09:01')).toBe('arrived');
    it.enter('09:02', { kind: 'correction', corrects: arrived });
    expect(it.stage('09:03')).toBe('expected');
    expect(it.entries.length).toBe(2);
    expect(it.enter('09:03', { kind: 'correction', corrects: arrived })).toBe(
      'This entry has been taken back already.',
    );
  });

  it('is refused where something later stands on the entry', () => {
    const it = seated();
    const released = it.enter('10:10', { kind: 'released', drive: 'd1' });
    it.enter('10:11', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    expect(it.enter('10:12', { kind: 'correction', corrects: released })).toContain('take that back first');
  });
});

describe('An entry that comes late', () => {
  it('finds its place by when it happened', () => {
    const it = seated();
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    it.enter('10:13', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:11:30', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    const crossings = it.state('10:14').drives.get('d1')!.crossings;
    expect(crossings.map(({ atS }) => atS)).toEqual([at('10:11:30'), at('10:13')]);
  });

  it('is judged at its own time', () => {
    const it = seated();
    it.enter('10:10', { kind: 'released', drive: 'd1' });
    expect(it.enter('10:09', { kind: 'lapCounted', drive: 'd1', source: 'loop' })).toContain("can't be counted a lap");
  });

  it('gives the same state in whatever order the entries reach the server', () => {
    const written = seated();
    written.enter('10:10', { kind: 'released', drive: 'd1' });
    written.enter('10:11', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    written.enter('10:11:20', { kind: 'lapSpoiled', drive: 'd1', lap: 1, reason: 'traffic' });
    const plainState = (entries: readonly RecordedEntry[]) => {
      const state = stateOf(written.context, entries, at('10:30'));
      const seen = state.drives.get('d1')!;
      return JSON.stringify([
        [...state.guests.values()].map(({ stage }) => stage),
        seen.crossings,
        [...seen.spoiled],
        seen.stage,
      ]);
    };
    const expected = plainState(written.entries);
    fc.assert(
      fc.property(fc.shuffledSubarray(written.entries, { minLength: written.entries.length }), (shuffled) => {
        const resequenced = shuffled.map((recorded, place) => ({ ...recorded, seq: place + 1 }));
        return plainState(resequenced) === expected;
      }),
    );
    expect(expected).toContain('traffic');
  });
});

describe('Planning again', () => {
  const day = aDay({
    guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] })],
  });

  it('leaves out guests who did not come and plans late ones from now on', () => {
    const it = writtenJournal(day, aPlan());
    it.enter('09:30', { kind: 'guestNoShow', guest: 'g1' });
    const known = dayAsItIs(day, undefined, it.state('10:00'));
    expect(known.guests.map(({ id, arrives }) => [id, arrives])).toEqual([['g2', at('10:10')]]);
    const complete = withGuestsGone(day, known, aPlan({ drives: [drive('11:00', { drive: 'd2' })] }));
    expect(complete.unplanned).toEqual([{ drive: 'd1', reason: fact('guestGone', { guest: 'g1' }) }]);
  });

  it('keeps a held car away until it is expected back', () => {
    const it = writtenJournal(day, aPlan());
    it.enter('10:00', { kind: 'carHeld', car: 'c1', reason: 'brake pedal long', backAt: at('12:15') });
    expect(dayAsItIs(day, undefined, it.state('10:05')).cars[0]!.available).toEqual([
      { from: at('08:00'), to: at('10:05') },
      { from: at('12:15'), to: at('18:00') },
    ]);
  });

  it('knows what comes next for a guest', () => {
    const it = seated();
    const next = (time: string) => nextOccupancy(it.context, it.state(time), 'g1')?.kind;
    expect([next('08:50'), next('09:31'), next('09:50'), next('10:07')]).toEqual([
      'briefing',
      'sighting',
      'drive',
      undefined,
    ]);
  });
});
