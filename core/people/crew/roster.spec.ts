import fc from 'fast-check';
import { withoutWindows, mergeWindows, type TimeWindow } from '../../values';
import { dateAfter, plannedInstructor, rosterEntry, windowsOn, type RosterEntry } from './roster';
import { endingSkills, skillGaps, skillsOf } from './skill-watch';
import { hasSkill, holdsOn, instructorFields, withSkill, type InstructorFields } from './skills';
import { BY_ID, wordsIn } from '@words';

const at = (hours: number) => hours * 3600;
const FLEET = ['c1', 'c2', 'c3'];
const MONDAY = '2027-05-24';

function somebody(id: string, more: Partial<InstructorFields> = {}): InstructorFields {
  return {
    id,
    name: id,
    cars: 'all',
    languages: ['en'],
    available: [{ from: at(9), to: at(17) }],
    maxSeatS: 5400,
    restS: 900,
    meal: { from: at(12), to: at(14), durationS: 1800 },
    maxLaps: 100,
    brief: true,
    sighting: true,
    ...more,
  };
}

function entry(more: Partial<RosterEntry>): RosterEntry {
  return { id: 'e', instructor: 'odile', kind: 'shift', from: MONDAY, to: MONDAY, ...more };
}

const windows = fc.array(
  fc.tuple(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 1, max: 20 })).map(([from, length]) => ({
    from: from * 600,
    to: (from + length) * 600,
  })),
  { maxLength: 5 },
);
const covers = (list: readonly TimeWindow[], s: number) => list.some(({ from, to }) => from <= s && s < to);

describe('The roster', () => {
  const odile = somebody('odile');

  it('leaves of the hours what is not taken away, second by second', () => {
    fc.assert(
      fc.property(windows, windows, fc.integer({ min: 0, max: 59_999 }), (there, away, s) => {
        const left = withoutWindows(there, away);
        expect(covers(left, s)).toBe(covers(there, s) && !covers(away, s));
        expect(left).toEqual(mergeWindows(left));
      }),
    );
  });

  it('has somebody there at the usual hours, at those of a shift, or not at all', () => {
    expect(windowsOn(odile, [], MONDAY)).toEqual(odile.available);
    const short = entry({ hours: { from: at(10), to: at(12) } });
    expect(windowsOn(odile, [short], MONDAY)).toEqual([{ from: at(10), to: at(12) }]);
    expect(windowsOn(odile, [short], dateAfter(MONDAY, 1))).toEqual(odile.available);
    expect(windowsOn(odile, [entry({ kind: 'absence' })], MONDAY)).toEqual([]);
    const dentist = entry({ kind: 'absence', hours: { from: at(10), to: at(11) } });
    expect(windowsOn(odile, [dentist], MONDAY)).toEqual([
      { from: at(9), to: at(10) },
      { from: at(11), to: at(17) },
    ]);
    expect(windowsOn(odile, [{ ...short, instructor: 'tomasz' }], MONDAY)).toEqual(odile.available);
  });

  it('knows of one who works by shifts only on days with a shift', () => {
    const guestTeacher = somebody('odile', { byRoster: true });
    expect(windowsOn(guestTeacher, [], MONDAY)).toEqual([]);
    expect(windowsOn(guestTeacher, [entry({})], MONDAY)).toEqual(guestTeacher.available);
  });

  it('never has somebody there during an absence, whatever the shifts', () => {
    const any = fc.record({ kind: fc.constantFrom('shift' as const, 'absence' as const), hours: windows });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 4 }), fc.integer({ min: 0, max: 59_999 }), (list, s) => {
        const entries = list.flatMap(({ kind, hours }) => hours.map((one) => entry({ kind, hours: one })));
        const away = entries.filter(({ kind }) => kind === 'absence').map(({ hours }) => hours!);
        if (covers(away, s)) expect(covers(windowsOn(odile, entries, MONDAY), s)).toBe(false);
      }),
    );
  });

  it('refuses an entry that ends before it begins, or runs over a year', () => {
    const file = { id: 'e', instructor: 'odile', kind: 'shift', from: MONDAY };
    expect(rosterEntry.safeParse({ ...file, to: '2027-05-23' }).success).toBe(false);
    expect(rosterEntry.safeParse({ ...file, to: '2028-05-24' }).success).toBe(false);
    expect(rosterEntry.safeParse({ ...file, to: '2028-05-22' }).success).toBe(true);
  });

  it('tells the planner of a day neither what has ended nor what it does not read', () => {
    const who = somebody('odile', {
      byRoster: true,
      holdsUntil: { cars: { c2: MONDAY }, sighting: '2027-05-23' },
    });
    const on = (date: string) => plannedInstructor(who, [entry({ to: '2027-05-25' })], date, FLEET);
    expect(on(MONDAY)).toEqual({ ...somebody('odile'), sighting: false });
    expect(on('2027-05-25').cars).toEqual(['c1', 'c3']);
    expect(on('2027-05-26').available).toEqual([]);
  });
});

describe('Skills', () => {
  it('hold to their last day, and are given, taken and given again without touching the others', () => {
    const skill = fc.constantFrom(...skillsOf(FLEET));
    const change = fc.record({
      skill,
      may: fc.boolean(),
      until: fc.option(fc.constantFrom(MONDAY, '2027-06-30'), { nil: undefined }),
    });
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), change, (before, last) => {
        const who = before.reduce((known, { skill: of, ...to }) => withSkill(known, of, to, FLEET), somebody('odile'));
        const now = withSkill(who, last.skill, last, FLEET);
        expect(instructorFields.safeEncode(now).success).toBe(true);
        for (const one of skillsOf(FLEET)) {
          const isChanged = JSON.stringify(one) === JSON.stringify(last.skill);
          for (const date of [MONDAY, dateAfter(MONDAY, 1), '2027-07-01']) {
            const expected = isChanged
              ? last.may && (last.until === undefined || date <= last.until)
              : holdsOn(who, one, date);
            expect(holdsOn(now, one, date)).toBe(expected);
          }
          if (!isChanged) expect(hasSkill(now, one)).toBe(hasSkill(who, one));
        }
      }),
    );
  });

  it('that hang on one person are named two weeks ahead, with who is missing and why', () => {
    const crew = [
      somebody('odile'),
      somebody('tomasz', { cars: ['c1', 'c2'], holdsUntil: { cars: { c2: dateAfter(MONDAY, 3) } } }),
      somebody('aino', { cars: ['c1', 'c3'], brief: false }),
    ];
    const roster = [entry({ kind: 'absence', from: dateAfter(MONDAY, 6), to: dateAfter(MONDAY, 7) })];
    const gaps = skillGaps({ cars: FLEET, crew, roster }, MONDAY);
    expect(gaps).toEqual([
      {
        skill: { kind: 'car', car: 'c2' },
        holder: 'odile',
        from: dateAfter(MONDAY, 4),
        to: dateAfter(MONDAY, 5),
        days: 2,
        missing: [{ instructor: 'tomasz', because: 'expired' }],
      },
      {
        skill: { kind: 'car', car: 'c2' },
        holder: undefined,
        from: dateAfter(MONDAY, 6),
        to: dateAfter(MONDAY, 7),
        days: 2,
        missing: [
          { instructor: 'odile', because: 'away' },
          { instructor: 'tomasz', because: 'expired' },
        ],
      },
      {
        skill: { kind: 'car', car: 'c2' },
        holder: 'odile',
        from: dateAfter(MONDAY, 8),
        to: dateAfter(MONDAY, 13),
        days: 6,
        missing: [{ instructor: 'tomasz', because: 'expired' }],
      },
      {
        skill: { kind: 'car', car: 'c3' },
        holder: 'aino',
        from: dateAfter(MONDAY, 6),
        to: dateAfter(MONDAY, 7),
        days: 2,
        missing: [{ instructor: 'odile', because: 'away' }],
      },
      {
        skill: { kind: 'brief' },
        holder: 'tomasz',
        from: dateAfter(MONDAY, 6),
        to: dateAfter(MONDAY, 7),
        days: 2,
        missing: [{ instructor: 'odile', because: 'away' }],
      },
    ]);
    expect(endingSkills({ cars: FLEET, crew }, MONDAY)).toEqual([
      { instructor: 'tomasz', skill: { kind: 'car', car: 'c2' }, last: dateAfter(MONDAY, 3) },
    ]);
  });

  it('are said in a sentence: when, who is left, and where the others are', () => {
    const instructors: Record<string, string> = { odile: 'Odile', tomasz: 'Tomasz' };
    const names = { ...BY_ID, instructor: (id: string) => instructors[id]!, car: () => 'Sabrel R' };
    const { gap: tell } = wordsIn('en', names);
    const gap = { skill: { kind: 'car', car: 'c1' }, from: MONDAY, to: MONDAY, days: 1 } as const;
    const missing = [{ instructor: 'tomasz', because: 'expired' } as const];
    expect(tell({ ...gap, holder: 'odile', missing })).toBe(
      'Mon 24 May: only Odile may teach in the Sabrel R: the skill of Tomasz has ended.',
    );
    expect(tell({ ...gap, holder: undefined, missing: [], to: '2027-05-30', days: 7 })).toBe(
      'Mon 24 May to Sun 30 May, 7 days: nobody may teach in the Sabrel R: nobody has the skill.',
    );
  });

  it('are not missed on days on which nobody works', () => {
    expect(skillGaps({ cars: FLEET, crew: [somebody('odile', { byRoster: true })], roster: [] }, MONDAY)).toEqual([]);
  });
});
