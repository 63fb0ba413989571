import fc from 'fast-check';
import { dateAfter, rosterEntry } from '@core/people/crew/at-start';
import { type InstructorFields, type RosterEntry } from '@core/people/crew';
import { readRosterIcal, rosterIcal } from './roster-ical';

const odile = { id: 'i1', name: 'Odile Varga' } as InstructorFields;
const tomasz = { id: 'i2', name: 'Tomasz Ilgen' } as InstructorFields;
const VENUE = { crew: [odile, tomasz], timeZone: 'Atlantic/Faroe', venue: 'Larkmere Flying-Boat Station' };

function calendar(...events: string[][]): string {
  const inner = events.flatMap((lines) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']);
  return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//made up//EN', ...inner, 'END:VCALENDAR'].join('\r\n');
}

function read(...events: string[][]) {
  const found = readRosterIcal(calendar(...events), VENUE);
  if (!found.ok) throw new Error(found.reason);
  return found;
}

const HOURS = { from: 30_600, to: 43_200 };

const entries: fc.Arbitrary<RosterEntry> = fc
  .record({
    id: fc.stringMatching(/^[a-z0-9-]{3,12}$/),
    instructor: fc.constantFrom('i1', 'i2'),
    kind: fc.constantFrom('shift' as const, 'absence' as const),
    day: fc.integer({ min: 0, max: 700 }),
    days: fc.integer({ min: 0, max: 20 }),
    hours: fc.option(
      fc.tuple(fc.integer({ min: 0, max: 1400 }), fc.integer({ min: 1, max: 39 })).map(([from, length]) => ({
        from: from * 60,
        to: (from + length) * 60,
      })),
      { nil: undefined },
    ),
  })
  .map(({ day, days, hours, ...entry }) => {
    const from = dateAfter('2027-01-01', day);
    return { ...entry, from, to: dateAfter(from, days), ...(hours && { hours }) };
  });

describe('The roster as a calendar', () => {
  const machineZone = process.env['TZ'];
  afterEach(() => {
    if (machineZone === undefined) delete process.env['TZ'];
    else process.env['TZ'] = machineZone;
  });

  it('comes back as it went out, over changes of summer time too, whatever the zone of the machine', () => {
    for (const zone of ['UTC', 'Europe/Berlin', 'America/New_York', 'Pacific/Auckland']) {
      process.env['TZ'] = zone;
      comesBack();
    }
  });

  const comesBack = () =>
    fc.assert(
      fc.property(fc.uniqueArray(entries, { maxLength: 6, selector: ({ id }) => id }), (list) => {
        const found = readRosterIcal(rosterIcal(list, VENUE), VENUE);
        const known = list.map(({ id }) => id);
        expect(found).toEqual({ ok: true, entries: list, known, faults: [] });
        for (const entry of list) expect(rosterEntry.safeEncode(entry).success).toBe(true);
      }),
      { numRuns: 40 },
    );

  it('keeps the reason of an absence to itself', () => {
    const entry: RosterEntry = { id: 'a', instructor: 'i1', kind: 'absence', from: '2027-05-24', to: '2027-05-24' };
    expect(rosterIcal([{ ...entry, reason: 'operation on the knee' }], VENUE)).not.toContain('knee');
  });

  it('reads times of another zone on the venue’s clock, and times without a zone as the venue’s', () => {
    const { entries: found } = read(
      ['UID:z', 'SUMMARY:Odile Varga', 'DTSTART:20270524T073000Z', 'DTEND:20270524T110000Z'],
      ['UID:f', 'SUMMARY:Odile Varga', 'DTSTART:20270525T083000', 'DTEND:20270525T120000'],
      [
        'UID:o',
        'SUMMARY:Odile Varga',
        'DTSTART;TZID=Europe/Helsinki:20270526T103000',
        'DTEND;TZID=Europe/Helsinki:20270526T140000',
      ],
    );
    expect(found.map(({ hours }) => hours)).toEqual([HOURS, HOURS, HOURS]);
    expect(found.map(({ from }) => from)).toEqual(['2027-05-24', '2027-05-25', '2027-05-26']);
  });

  it('reads a weekly series day by day, without the days that are taken out', () => {
    const { entries: found } = read([
      'UID:weekly@elsewhere',
      'SUMMARY:tomasz ilgen (mornings)',
      'DTSTART;TZID=Atlantic/Faroe:20270315T083000',
      'DTEND;TZID=Atlantic/Faroe:20270315T120000',
      'RRULE:FREQ=WEEKLY;COUNT=4',
      'EXDATE;TZID=Atlantic/Faroe:20270322T083000',
    ]);
    // Summer time begins on 28 March: the hours on the wall stay.
    expect(found.map(({ from, hours }) => [from, hours])).toEqual([
      ['2027-03-15', HOURS],
      ['2027-03-29', HOURS],
      ['2027-04-05', HOURS],
    ]);
    expect(new Set(found.map(({ id }) => id)).size).toBe(3);
  });

  it('knows an absence by its words or its category, and whole days by their dates', () => {
    const { entries: found } = read(
      ['UID:1', 'SUMMARY:Odile Varga on leave', 'DTSTART;VALUE=DATE:20270525', 'DTEND;VALUE=DATE:20270528'],
      ['UID:2', 'SUMMARY:Tomasz Ilgen', 'CATEGORIES:ABSENCE', 'DTSTART;VALUE=DATE:20270525'],
    );
    expect(found.map(({ kind, from, to }) => [kind, from, to])).toEqual([
      ['absence', '2027-05-25', '2027-05-27'],
      ['absence', '2027-05-25', '2027-05-25'],
    ]);
  });

  it('names what it cannot take in, and takes in the rest', () => {
    const {
      entries: found,
      faults,
      known,
    } = read(
      ['UID:1', 'SUMMARY:Nobody Known', 'DTSTART:20270525T083000', 'DTEND:20270525T093000'],
      ['UID:2', 'SUMMARY:Odile Varga', 'DTSTART:20270525T220000', 'DTEND:20270526T030000'],
      ['UID:3', 'SUMMARY:Odile Varga', 'DTSTART:20270525T220000', 'DTEND:20270526T000000'],
      ['UID:4', 'SUMMARY:Odile Varga', 'STATUS:CANCELLED', 'DTSTART:20270525T083000', 'DTEND:20270525T093000'],
    );
    expect(faults).toEqual([
      { line: 4, event: 'Nobody Known', message: 'no instructor has this name' },
      { line: 10, event: 'Odile Varga', message: 'runs over midnight, from 2027-05-25 to 2027-05-26' },
    ]);
    expect(found.map(({ hours }) => hours)).toEqual([{ from: 79_200, to: 86_400 }]);
    // Of what cannot be taken in, nothing is known that would be reason to take anything out of the roster.
    expect(known).toEqual(['3', '4']);
  });

  it('keeps two events of one UID, and gives a moved time of a series its new place', () => {
    const times = (day: string) => [`DTSTART:202705${day}T083000`, `DTEND:202705${day}T120000`];
    const { entries: found } = read(
      ['UID:twice', 'SUMMARY:Odile Varga', ...times('24')],
      ['UID:twice', 'SUMMARY:Odile Varga', ...times('27')],
      ['UID:weekly', 'SUMMARY:Tomasz Ilgen', ...times('03'), 'RRULE:FREQ=WEEKLY;COUNT=3'],
      ['UID:weekly', 'SUMMARY:Tomasz Ilgen', ...times('11'), 'RECURRENCE-ID:20270510T083000'],
    );
    expect(found.map(({ id, from }) => [id, from])).toEqual([
      ['twice 2027-05-24', '2027-05-24'],
      ['twice 2027-05-27', '2027-05-27'],
      ['weekly 2027-05-03', '2027-05-03'],
      ['weekly 2027-05-11', '2027-05-11'],
      ['weekly 2027-05-17', '2027-05-17'],
    ]);
  });

  it('reads days in a row over the change of the clock as one stretch', () => {
    for (const [start, end] of [
      ['DTSTART;TZID=Atlantic/Faroe:20270326T083000', 'DTEND;TZID=Atlantic/Faroe:20270326T120000'],
      ['DTSTART:20270326T083000', 'DTEND:20270326T120000'],
      ['DTSTART;VALUE=DATE:20270326', 'DTEND;VALUE=DATE:20270327'],
    ] as const) {
      const { entries: found } = read(['UID:1', 'SUMMARY:Odile Varga', start, end, 'RRULE:FREQ=DAILY;COUNT=5']);
      expect(found.map(({ from, to }) => [from, to]))
        .withContext(start)
        .toEqual([['2027-03-26', '2027-03-30']]);
    }
  });

  it('takes no harm from what a calendar may hold, and names it with its line', () => {
    const one = ['DTSTART:20270525T083000', 'DTEND:20270525T120000'];
    const { entries: found, faults } = read(
      ['UID:__proto__', 'SUMMARY:Odile Varga', ...one],
      ['UID:constructor', 'SUMMARY:Odile Varga', 'DTSTART:20270526T083000', 'DTEND:20270526T120000'],
      ['UID:a', 'SUMMARY:Odile Varga', 'DTEND:20270525T120000'],
      ['SUMMARY:Odile Varga', ...one],
      ['UID:b', 'SUMMARY:Odile Varga', ...one, 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'],
      ['UID:c', 'SUMMARY:Odile Varga', ...one, 'RRULE:FREQ=SECONDLY'],
      ['UID:d', 'SUMMARY:Tomasz Ilgen', ...one, 'RRULE:FREQ=WEEKLY'],
      ['UID:e', 'SUMMARY:Odile Varga', 'DTSTART:yesterday', 'DTEND:20270525T120000'],
    );
    expect(({} as { type?: string }).type).toBeUndefined();
    expect(found.slice(0, 2).map(({ id }) => id)).toEqual(['__proto__', 'constructor']);
    expect(found.filter(({ id }) => id.startsWith('d ')).length).toBe(105);
    expect(faults.map(({ line, message }) => [line, message.replace(/\d{4}-.*|invalid.*/, '…')])).toEqual([
      [16, 'has no beginning (DTSTART)'],
      [21, 'has no UID'],
      [26, 'repeats on days of which there are none in two years'],
      [33, 'cannot be read: repeats several times a day, as no roster does'],
      [40, 'goes on beyond two years: read up to …'],
      [47, 'cannot be read: …'],
    ]);
  });

  it('reads a file with a byte order mark, and tells of an event that does not end', () => {
    const text = `\uFEFF${calendar(['UID:1', 'SUMMARY:Odile Varga', 'DTSTART;VALUE=DATE:20270525'])}`;
    expect(readRosterIcal(text, VENUE)).toEqual(jasmine.objectContaining({ ok: true, faults: [] }));
    const cut = text.slice(0, text.indexOf('END:VEVENT'));
    const read = readRosterIcal(cut, VENUE);
    expect(read.ok && read.faults).toEqual([{ line: 4, event: 'event', message: 'it begins and does not end' }]);
  });

  it('refuses what is no calendar', () => {
    expect(readRosterIcal('name;from;to', VENUE)).toEqual({
      ok: false,
      reason: 'This is no calendar file (iCalendar).',
    });
  });
});
