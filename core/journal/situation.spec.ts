import { checkPlan } from '../rules';
import { layOut, type Day, type Plan } from '../day';
import { inEnglish } from '../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { admit } from './admit';
import { amendedDay, changesTheDay } from './situation';
import { dayContext } from './state/context';
import { journalEntry, type JournalEntry, type RecordedEntry } from './entries/entry';
import { planningSnapshotOf, withDelays } from './plan-again';
import { stateOf } from './reduce';

type Fields = JournalEntry extends infer E ? (E extends JournalEntry ? Omit<E, 'id' | 'at' | 'by'> : never) : never;
const entries = (...written: [string, Fields][]) =>
  written.map(([time, fields], place): RecordedEntry => ({
    seq: place + 1,
    recordedAt: '2027-05-22T08:00:00.000Z',
    entry: { ...fields, id: `entry-000${place}`, at: at(time), by: 'Test' },
  }));
const stateAt = (day: Day, plan: Plan, time: string, ...written: [string, Fields][]) =>
  stateOf(dayContext(day, plan), entries(...written), at(time));

describe('What is said of the day itself', () => {
  const day = aDay();

  it('changes the day: late guests, closures, conditions, closing and hours of the crew', () => {
    const { day: situated } = amendedDay(
      day,
      entries(
        ['09:00', { kind: 'guestLate', guest: 'g1', expected: at('10:30') }],
        ['09:10', { kind: 'circuitClosed', from: at('11:00'), to: at('11:30'), reason: 'oil on the line' }],
        ['09:20', { kind: 'conditionChanged', from: at('12:00'), name: 'wet', paceFactor: 1.15 }],
        ['09:30', { kind: 'closingMoved', to: at('18:30') }],
        ['09:40', { kind: 'crewHours', instructor: 'i1', from: at('18:00'), to: at('18:30') }],
      ),
    );
    const away = entries(['09:50', { kind: 'crewAway', instructor: 'i1', from: at('12:00'), to: at('13:00') }]);
    expect(amendedDay(day, away).day.instructors[0]!.available).toEqual([
      { from: at('08:00'), to: at('12:00') },
      { from: at('13:00'), to: at('18:00') },
    ]);
    expect(situated.guests[0]!.arrives).toBe(at('10:30'));
    expect(situated.circuit.closures).toEqual([{ from: at('11:00'), to: at('11:30'), reason: 'oil on the line' }]);
    expect(situated.condition.changes).toEqual([{ from: at('12:00'), name: 'wet', paceFactor: 1.15 }]);
    // Who was there until closing is there until the new one.
    expect([situated.closes, situated.cars[0]!.available[0]!.to]).toEqual([at('18:30'), at('18:30')]);
    expect(situated.instructors[0]!.available.length).toBe(2);
  });

  it('lets the last word on the condition hold from its time on, and takes back what is corrected', () => {
    const written = entries(
      ['09:00', { kind: 'conditionChanged', from: at('10:00'), name: 'wet', paceFactor: 1.15 }],
      ['09:30', { kind: 'conditionChanged', from: at('09:30'), name: 'damp', paceFactor: 1.08 }],
      ['09:40', { kind: 'correction', corrects: 'entry-0001' }],
    );
    expect(amendedDay(day, written.slice(0, 2)).day.condition.changes!.map(({ name }) => name)).toEqual(['damp']);
    expect(amendedDay(day, written).day.condition.changes!.map(({ name }) => name)).toEqual(['wet']);
    expect(changesTheDay(written, 'correction', 'entry-0001')).toBe(true);
    expect(changesTheDay(written, 'noteTaken')).toBe(false);
    expect(amendedDay(day, []).day).toBe(day);
  });

  it('changes nothing where it does not fit to what has been set up since, and that is told', () => {
    const early = { ...day, opens: at('13:00'), closes: at('18:00') };
    const written = entries(
      ['09:30', { kind: 'closingMoved', to: at('12:00') }],
      ['09:40', { kind: 'closingMoved', to: at('19:00') }],
    );
    const { day: situated, unfit } = amendedDay(early, written);
    expect(situated.closes).toBe(at('19:00'));
    const values = { closesS: at('12:00'), opensS: at('13:00') };
    expect(unfit.map(({ entry, why }) => [entry.id, why.values])).toEqual([['entry-0000', values]]);
  });

  it('is refused where it makes no sense', () => {
    const context = dayContext(day, aPlan());
    const refusal = (fields: Fields) => {
      const [{ entry }] = entries(['09:00', fields]) as [RecordedEntry];
      const admission = admit(context, [], entry);
      return admission.admitted ? 'admitted' : inEnglish(day).refusal(admission.refusal);
    };
    const closed = { kind: 'circuitClosed', from: at('11:00'), to: at('11:30'), reason: 'oil' } as const;
    expect(refusal(closed)).toBe('admitted');
    for (const kind of ['circuitClosed', 'crewHours']) {
      const backwards = { id: 'entry-0001', by: 'Test', at: '09:00', kind, from: '11:00', to: '10:00' };
      const more = kind === 'crewHours' ? { instructor: 'i1' } : { reason: 'oil' };
      expect(journalEntry.safeParse({ ...backwards, ...more }).success).toBe(false);
      expect(journalEntry.safeParse({ ...backwards, ...more, to: '12:00' }).success).toBe(true);
    }
    expect(refusal({ kind: 'guestLate', guest: 'nobody', expected: at('10:00') })).not.toBe('admitted');
    expect(refusal({ kind: 'closingMoved', to: at('07:00') })).not.toBe('admitted');
    expect(refusal({ kind: 'crewHours', instructor: 'nobody', from: at('08:00'), to: at('09:00') })).not.toBe(
      'admitted',
    );
  });
});

describe('A plan as the journal has shown it to be', () => {
  const day = aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }] })],
  });
  const plan = aPlan({ drives: [drive('10:00'), drive('10:30', { drive: 'd2', car: 'c2', instructor: 'i2' })] });
  const cleared = (['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const).map(
    (kind): [string, Fields] => ['09:00', { kind, guest: 'g1' }],
  );
  const seated: [string, Fields] = ['09:57', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }];

  it('holds a drive that was let out late until it will really end, however often it is looked at', () => {
    const state = stateAt(day, plan, '10:06', ...cleared, seated, ['10:05', { kind: 'released', drive: 'd1' }]);
    // Five laps of 80 s and four minutes to wrap up.
    const once = withDelays(day, plan, state);
    expect(layOut(day, once).drives[0]!.endS).toBe(at('10:05') + 400 + 240);
    expect(once.drives[0]!.release).toBe(at('10:05'));
    expect(withDelays(day, once, state)).toEqual(once);
  });

  it('has what is over where it was, and what was only a little early or late where it was planned', () => {
    const out: [string, Fields] = ['10:00', { kind: 'released', drive: 'd1' }];
    const laps = ['10:02', '10:04', '10:06', '10:08', '10:10'].map((time): [string, Fields] => [
      time,
      { kind: 'lapCounted', drive: 'd1', source: 'hand' },
    ]);
    const over: [string, Fields][] = [
      ['10:11', { kind: 'parked', drive: 'd1' }],
      ['10:20', { kind: 'debriefed', drive: 'd1' }],
    ];
    const [long] = withDelays(day, plan, stateAt(day, plan, '10:30', ...cleared, seated, out, ...laps, ...over)).drives;
    expect(long).toEqual({ ...plan.drives[0]!, heldUntil: at('10:20') });
    const punctual: [string, Fields] = ['10:11', { kind: 'debriefed', drive: 'd1' }];
    const [short] = withDelays(
      day,
      plan,
      stateAt(day, plan, '10:30', ...cleared, seated, out, ...laps, over[0]!, punctual),
    ).drives;
    expect(short).toEqual(plan.drives[0]);
  });

  it('has the fuel that was read or filled, so that a drive is refuelled for', () => {
    const reading: [string, Fields] = ['09:30', { kind: 'fuelRead', car: 'c1', litres: 12 }];
    const known = planningSnapshotOf(day, plan, stateAt(day, plan, '09:40', reading));
    expect(known.day.cars[0]!.fuel.readings).toEqual([{ at: at('09:30'), litres: 12 }]);
    // Five laps of a litre each from twelve litres on leave less than the ten of the reserve.
    const broken = checkPlan(known.day, plan).violations.map(({ code }) => code);
    expect(broken).toEqual(['CAR_FUEL']);
    const filled = stateAt(
      day,
      plan,
      '09:50',
      ...cleared,
      reading,
      ['09:35', { kind: 'refuelBegan', car: 'c1' }],
      ['09:44', { kind: 'refuelEnded', car: 'c1' }],
    );
    const { day: full } = planningSnapshotOf(day, plan, filled);
    expect(full.cars[0]!.fuel.readings!.map(({ litres }) => litres)).toEqual([12, 60]);
    expect(checkPlan(full, plan).violations).toEqual([]);
  });

  it('holds what is running for longer where somebody says that it runs late', () => {
    const onTime: [string, Fields][] = [...cleared, ['09:56', seated[1]], ['10:00', { kind: 'released', drive: 'd1' }]];
    const endS = at('10:00') + 400 + 240;
    expect(withDelays(day, plan, stateAt(day, plan, '10:05', ...onTime)).drives[0]!.heldUntil).toBeUndefined();
    const late = stateAt(day, plan, '10:05', ...onTime, ['10:04', { kind: 'runningLate', minutes: 12 }]);
    expect(withDelays(day, plan, late).drives[0]!.heldUntil).toBe(endS + 720);
  });

  it('takes out of it what should have begun ten minutes ago and has not, but shows it where it was', () => {
    const { from, plan: seen, repair } = planningSnapshotOf(day, plan, stateAt(day, plan, '10:10'));
    expect(from.previous.drives.map(({ drive: id }) => id)).toEqual(['d2']);
    expect(seen.drives.map(({ drive: id }) => id)).toEqual(['d1', 'd2']);
    expect(repair?.nowS).toBe(at('10:10'));
  });

  it('knows nothing of guests who are gone, and stands freely before the day has begun', () => {
    const gone = stateAt(day, plan, '09:30', ['09:20', { kind: 'guestNoShow', guest: 'g1' }]);
    const snapshot = planningSnapshotOf(day, plan, gone);
    expect(snapshot.plan.drives.map(({ drive: id }) => id)).toEqual(['d2']);
    expect(checkPlan(snapshot.day, snapshot.plan, snapshot.repair).valid).toBe(true);
    expect(planningSnapshotOf(day, plan, stateAt(day, plan, '00:00')).repair).toBeUndefined();
  });
});
