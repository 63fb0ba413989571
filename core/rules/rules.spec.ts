import { inEnglish } from '../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { checkPlan } from './check-plan';
import type { Day, Plan } from '../day';

const codes = (day: Day, plan: Plan) => checkPlan(day, plan).violations.map(({ code }) => code);
const messages = (day: Day, plan: Plan) => checkPlan(day, plan).violations.map(inEnglish(day).violation);

/** Two guests with a drive each, in the same car unless said otherwise. */
const twoGuests = (more: Partial<Day> = {}) =>
  aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R', level: 4 })],
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [
      aGuest(),
      aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1', 'c2'], laps: 5 }] }),
    ],
    ...more,
  });
const other = (release: string, more: Partial<Plan['drives'][number]> = {}) =>
  drive(release, { drive: 'd2', car: 'c2', instructor: 'i2', ...more });

describe('Hard rules', () => {
  it('accept a plain drive', () => {
    expect(checkPlan(aDay(), aPlan({ drives: [drive('10:00')] })).violations).toEqual([]);
  });

  it('HOURS: a drive wraps up before the venue closes', () => {
    const day = aDay({ closes: at('10:10') });
    expect(codes(day, aPlan({ drives: [drive('10:00')] }))).toEqual(['HOURS']);
    expect(codes(aDay({ closes: at('10:10:40') }), aPlan({ drives: [drive('10:00')] }))).toEqual([]);
  });

  it('HOURS: a turnaround may run past closing', () => {
    const day = aDay({ closes: at('10:10:40') });
    expect(codes(day, aPlan({ drives: [drive('10:00')] }))).toEqual([]);
  });

  it('GUEST_PRESENT: nobody is held before arriving or after having to leave', () => {
    const late = aDay({ guests: [aGuest({ arrives: at('09:57') })] });
    expect(codes(late, aPlan({ drives: [drive('10:00')] }))).toEqual(['GUEST_PRESENT']);
    const leaving = aDay({ guests: [aGuest({ leavesBy: at('10:10') })] });
    expect(codes(leaving, aPlan({ drives: [drive('10:00')] }))).toEqual(['GUEST_PRESENT']);
    // Fetched at 09:56, and back at 10:10:40.
    const just = aDay({ guests: [aGuest({ arrives: at('09:56'), leavesBy: at('10:10:40') })] });
    expect(codes(just, aPlan({ drives: [drive('10:00')] }))).toEqual([]);
  });

  it('GUEST_PRESENT: a drive that is not to begin before a time does not', () => {
    const drives = [{ id: 'd1', cars: ['c1'], laps: 5, notBefore: at('09:56') }];
    const day = aDay({ guests: [aGuest({ drives })] });
    expect(codes(day, aPlan({ drives: [drive('10:00')] }))).toEqual([]);
    expect(codes(day, aPlan({ drives: [drive('09:59:59')] }))).toEqual(['GUEST_PRESENT']);
  });

  it('GUEST_ORDER: class, then sighting run, then the drive', () => {
    const day = aDay({
      guests: [aGuest({ briefed: false, sighted: false })],
      instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    });
    const inOrder = aPlan({
      briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g1'] }],
      sightings: [{ release: at('09:35'), vehicle: 's1', instructor: 'i1', guests: ['g1'] }],
      drives: [drive('10:00')],
    });
    expect(codes(day, inOrder)).toEqual([]);
    expect(codes(day, { ...inOrder, briefings: [], sightings: [] })).toEqual(['GUEST_ORDER', 'GUEST_ORDER']);
    const swapped = {
      ...inOrder,
      briefings: [{ start: at('09:20'), instructor: 'i2', guests: ['g1'] }],
      sightings: [{ release: at('09:05'), vehicle: 's1', instructor: 'i1', guests: ['g1'] }],
      drives: [drive('10:00')],
    };
    expect(codes(day, swapped)).toEqual(['GUEST_ORDER']);
  });

  it('GUEST_ORDER: drives run as listed where the guest wants that', () => {
    const drives = [
      { id: 'd1', cars: ['c1'], laps: 5 },
      { id: 'd2', cars: ['c1'], laps: 5 },
    ];
    const plan = aPlan({ drives: [drive('10:00', { drive: 'd2' }), drive('11:00')] });
    expect(codes(aDay({ guests: [aGuest({ drives })] }), plan)).toEqual([]);
    expect(codes(aDay({ guests: [aGuest({ drives, sequence: 'asListed' })] }), plan)).toEqual(['GUEST_ORDER']);
  });

  it('GUEST_REST: there are five minutes between two activities of a guest', () => {
    const day = aDay({
      guests: [
        aGuest({
          drives: [
            { id: 'd1', cars: ['c1'], laps: 5 },
            { id: 'd2', cars: ['c2'], laps: 5 },
          ],
        }),
      ],
      cars: [aCar(), aCar({ id: 'c2' })],
    });
    // The first drive ends at 10:10:40; the second may begin at 10:15:40, and is released four minutes later.
    expect(codes(day, aPlan({ drives: [drive('10:00'), other('10:19:40', { instructor: 'i1' })] }))).toEqual([]);
    expect(codes(day, aPlan({ drives: [drive('10:00'), other('10:19:39', { instructor: 'i1' })] }))).toEqual([
      'GUEST_REST',
    ]);
  });

  it('GUEST_ONCE: nobody is briefed twice', () => {
    const day = aDay();
    const plan = aPlan({
      briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g1'] }],
      drives: [drive('10:00')],
    });
    expect(codes(day, plan)).toEqual(['GUEST_ONCE']);
    const unbriefed = aDay({ guests: [aGuest({ briefed: false })] });
    const twice = { ...plan, briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g1', 'g1'] }] };
    expect(codes(unbriefed, twice)).toEqual(['GUEST_ONCE']);
  });

  it('CAR_FREE: a car needs its turnaround before the next guest', () => {
    const day = twoGuests();
    // Held until 10:10:40, turned around until 10:12:40, so the next set-up begins then at the earliest.
    expect(codes(day, aPlan({ drives: [drive('10:00'), other('10:16:40', { car: 'c1' })] }))).toEqual([]);
    expect(codes(day, aPlan({ drives: [drive('10:00'), other('10:16:39', { car: 'c1' })] }))).toEqual(['CAR_FREE']);
  });

  it('CAR_FREE: windows that touch count as one', () => {
    const split = [
      { from: at('08:00'), to: at('10:00') },
      { from: at('10:00'), to: at('12:00') },
    ];
    expect(codes(aDay({ cars: [aCar({ available: split })] }), aPlan({ drives: [drive('10:00')] }))).toEqual([]);
    const gap = [split[0]!, { from: at('10:01'), to: at('12:00') }];
    expect(codes(aDay({ cars: [aCar({ available: gap })] }), aPlan({ drives: [drive('10:00')] }))).toEqual([
      'CAR_FREE',
    ]);
  });

  it('CAR_FIT: gearbox, height and weight count where both sides state them', () => {
    const tall = aGuest({ heightCm: 201 });
    const small = aCar({ fit: { maxHeightCm: 190 } });
    const plan = aPlan({ drives: [drive('10:00')] });
    expect(messages(aDay({ cars: [small], guests: [tall] }), plan)).toEqual([
      'Ines Faro in Dunnock Cup at 10:00: Ines Faro is 201 cm tall, Dunnock Cup takes up to 190 cm',
    ]);
    expect(codes(aDay({ cars: [small] }), plan)).toEqual([]);
    const paddles = aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5, gearbox: 'paddle' }] });
    expect(codes(aDay({ cars: [aCar({ gearboxes: ['auto'] })], guests: [paddles] }), plan)).toEqual(['CAR_FIT']);
  });

  it('CAR_FUEL: a car comes back with its reserve; a refuel fills it up; a reading replaces the computation', () => {
    const fuel = { capacityL: 60, startL: 14, reserveL: 10, perLapL: 1, refuelS: 480 };
    const plan = aPlan({ drives: [drive('10:00')] });
    expect(codes(aDay({ cars: [aCar({ fuel })] }), plan)).toEqual(['CAR_FUEL']);
    expect(codes(aDay({ cars: [aCar({ fuel: { ...fuel, startL: 15 } })] }), plan)).toEqual([]);
    const refuelled = { ...plan, refuels: [{ car: 'c1', start: at('09:00') }] };
    expect(codes(aDay({ cars: [aCar({ fuel })] }), refuelled)).toEqual([]);
    const readings = [{ at: at('09:30'), litres: 15 }];
    expect(codes(aDay({ cars: [aCar({ fuel: { ...fuel, readings } })] }), plan)).toEqual([]);
    const thirsty = { ...fuel, startL: 20, perLapL: 2.2 };
    const [low] = checkPlan(aDay({ cars: [aCar({ fuel: thirsty })] }), plan).violations;
    expect(low).toEqual(jasmine.objectContaining({ code: 'CAR_FUEL', values: { litres: 9, reserveL: 10 } }));
  });

  it('CAR_COOLING: laps add up until the car has stood long enough', () => {
    const day = twoGuests({ cars: [aCar({ cooling: { afterLaps: 8, restS: 900 } })] });
    const soon = aPlan({ drives: [drive('10:00'), other('10:20', { car: 'c1' })] });
    expect(codes(day, soon)).toEqual(['CAR_COOLING']);
    // From the end of one occupancy (10:10:40) to the start of the next are 15 minutes.
    const later = aPlan({ drives: [drive('10:00'), other('10:29:40', { car: 'c1' })] });
    expect(codes(day, later)).toEqual([]);
  });

  it('REFUEL_BAYS: one bay fills one car at a time', () => {
    const plan = aPlan({
      drives: [drive('10:00'), other('11:00')],
      refuels: [
        { car: 'c1', start: at('09:00') },
        { car: 'c2', start: at('09:05') },
      ],
    });
    expect(codes(twoGuests(), plan)).toEqual(['REFUEL_BAYS']);
    const two = twoGuests();
    expect(codes({ ...two, rules: { ...two.rules, refuelBays: 2 } }, plan)).toEqual([]);
  });

  it('CREW_FREE: nobody is in two cars at once, or teaches outside the hours agreed', () => {
    const plan = aPlan({ drives: [drive('10:00'), other('10:05', { instructor: 'i1' })] });
    expect(codes(twoGuests(), plan)).toEqual(['CREW_FREE']);
    const mornings = aDay({ instructors: [anInstructor({ available: [{ from: at('08:00'), to: at('10:00') }] })] });
    expect(codes(mornings, aPlan({ drives: [drive('10:00')] }))).toEqual(['CREW_FREE']);
  });

  it('CREW_SKILL: car, class and sighting run each need their instructor', () => {
    const day = aDay({
      instructors: [anInstructor({ cars: ['c9'], brief: false, sighting: false })],
      guests: [aGuest({ briefed: false, sighted: false })],
    });
    const plan = aPlan({
      briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g1'] }],
      sightings: [{ release: at('09:35'), vehicle: 's1', instructor: 'i1', guests: ['g1'] }],
      drives: [drive('10:00')],
    });
    expect(codes(day, plan)).toEqual(['CREW_SKILL', 'CREW_SKILL', 'CREW_SKILL']);
  });

  it('CREW_LANGUAGE and CREW_AVOID: guest and instructor can talk, and want to', () => {
    const plan = aPlan({ drives: [drive('10:00')] });
    expect(codes(aDay({ guests: [aGuest({ languages: ['ja'] })] }), plan)).toEqual(['CREW_LANGUAGE']);
    expect(codes(aDay({ guests: [aGuest({ avoidInstructors: ['i1'] })] }), plan)).toEqual(['CREW_AVOID']);
  });

  it('CREW_REST: work without a break adds up', () => {
    const tired = anInstructor({ maxSeatS: 1700 });
    const day = twoGuests({ instructors: [tired] });
    const close = aPlan({ drives: [drive('10:00'), other('10:20', { instructor: 'i1' })] });
    expect(codes(day, close)).toEqual(['CREW_REST']);
    const rested = aPlan({ drives: [drive('10:00'), other('10:29:40', { instructor: 'i1' })] });
    expect(codes(day, rested)).toEqual([]);
  });

  it('CREW_MEAL: half an hour between half past eleven and two', () => {
    const short = anInstructor({ meal: { from: at('11:30'), to: at('12:30'), durationS: 1800 } });
    const day = aDay({ instructors: [short] });
    expect(codes(day, aPlan({ drives: [drive('12:00')] }))).toEqual(['CREW_MEAL']);
    expect(codes(day, aPlan({ drives: [drive('12:04')] }))).toEqual([]);
    const away = { ...short, available: [{ from: at('11:45'), to: at('18:00') }] };
    expect(codes(aDay({ instructors: [away] }), aPlan({ drives: [drive('12:00')] }))).toEqual([]);
  });

  it('CREW_LAPS: a day has its limit, and fierce cars have their own', () => {
    const plan = aPlan({ drives: [drive('10:00')] });
    expect(codes(aDay({ instructors: [anInstructor({ maxLaps: 4 })] }), plan)).toEqual(['CREW_LAPS']);
    expect(codes(aDay({ instructors: [anInstructor({ levelLaps: { '1': 4 } })] }), plan)).toEqual(['CREW_LAPS']);
    expect(codes(aDay({ instructors: [anInstructor({ levelLaps: { '5': 4 } })] }), plan)).toEqual([]);
  });

  it('PIN: what the manager has fixed stays', () => {
    const pinned = aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5, pin: { release: at('10:00'), car: 'c1' } }] });
    const day = aDay({ guests: [pinned] });
    expect(codes(day, aPlan({ drives: [drive('10:00')] }))).toEqual([]);
    expect(codes(day, aPlan({ drives: [drive('10:05')] }))).toEqual(['PIN']);
    expect(codes(day, aPlan({ unplanned: [{ drive: 'd1', reason: 'left out' }] }))).toEqual([]);
  });

  it('TRACK_GAP: 45 s between any two releases, sighting runs too', () => {
    expect(codes(twoGuests(), aPlan({ drives: [drive('10:00'), other('10:00:44')] }))).toEqual(['TRACK_GAP']);
    expect(codes(twoGuests(), aPlan({ drives: [drive('10:00'), other('10:00:45')] }))).toEqual([]);
  });

  it('TRACK_LOAD: the circuit holds so many and no more', () => {
    const day = twoGuests();
    const narrow = { ...day, rules: { ...day.rules, maxCarsOnTrack: 1 } };
    expect(codes(narrow, aPlan({ drives: [drive('10:00'), other('10:06:39')] }))).toEqual(['TRACK_LOAD']);
    expect(codes(narrow, aPlan({ drives: [drive('10:00'), other('10:06:40')] }))).toEqual([]);
  });

  it('TRACK_CLOSED: nothing runs through a closure, set-up and wrap-up may', () => {
    const closures = [{ from: at('10:06:40'), to: at('10:30'), reason: 'quiet half-hour' }];
    const day = aDay({ circuit: { name: 'Loop', lapLengthM: 2000, closures } });
    expect(codes(day, aPlan({ drives: [drive('10:00')] }))).toEqual([]);
    expect(codes(day, aPlan({ drives: [drive('10:00:01')] }))).toEqual(['TRACK_CLOSED']);
  });

  it('ROOM and SEATS: a class or a run has somebody in it, and not too many', () => {
    const day = aDay({
      guests: ['g1', 'g2', 'g3', 'g4'].map((id) => aGuest({ id, briefed: false, sighted: false, drives: [] })),
      instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    });
    const small = { ...day, rules: { ...day.rules, briefing: { durationS: 1500, seats: 3, rooms: 1 } } };
    const everybody = ['g1', 'g2', 'g3', 'g4'];
    const full = aPlan({ briefings: [{ start: at('09:00'), instructor: 'i1', guests: everybody }] });
    expect(codes(small, full)).toEqual(['ROOM']);
    const empty = aPlan({ briefings: [{ start: at('09:00'), instructor: 'i1', guests: [] }] });
    expect(codes(small, empty)).toEqual(['ROOM']);
    const twoRooms = aPlan({
      briefings: [
        { start: at('09:00'), instructor: 'i1', guests: ['g1'] },
        { start: at('09:10'), instructor: 'i2', guests: ['g2'] },
      ],
    });
    expect(codes(small, twoRooms)).toEqual(['ROOM']);
    const run = aPlan({ sightings: [{ release: at('09:30'), vehicle: 's1', instructor: 'i1', guests: everybody }] });
    expect(codes(day, run)).toEqual(['SEATS']);
  });

  it('COMPLETE: every drive stands once, and nothing is unknown', () => {
    expect(messages(aDay(), aPlan())).toEqual([
      'drive "d1" of Ines Faro is neither planned nor left out with a reason',
    ]);
    const twice = aPlan({ drives: [drive('10:00')], unplanned: [{ drive: 'd1', reason: 'no room' }] });
    expect(codes(aDay(), twice)).toEqual(['COMPLETE']);
    const stray = aPlan({ drives: [drive('10:00'), drive('11:00', { drive: 'dX', car: 'cX', instructor: 'iX' })] });
    expect(messages(aDay(), stray)).toEqual(['unknown drive "dX"', 'unknown car "cX"', 'unknown instructor "iX"']);
    expect(codes(aDay(), { ...aPlan({ drives: [drive('10:00')] }), date: '2027-05-23' })).toEqual(['COMPLETE']);
  });
});

describe('Derived times', () => {
  it('round a lap, then the time on the circuit, with the first lap slower and the lap out on top', () => {
    const day = aDay({ guests: [aGuest({ pace: 1.12 })] });
    const slow = { ...day, rules: { ...day.rules, firstLapFactor: 1.15, outLapCounts: false } };
    // 80 × 1.12 = 89.6, a lap of 90 s; 6 laps are driven: (5 + 1.15) × 90 = 553.5, rounded 554.
    const ends = at('10:00') + 554 + 240;
    expect(codes({ ...slow, closes: ends }, aPlan({ drives: [drive('10:00')] }))).toEqual([]);
    expect(codes({ ...slow, closes: ends - 1 }, aPlan({ drives: [drive('10:00')] }))).toEqual(['HOURS']);
  });

  it('take the condition that holds at the release', () => {
    const changes = [{ from: at('10:00'), name: 'wet', paceFactor: 1.5 }];
    const day = aDay({ condition: { name: 'dry', paceFactor: 1, changes }, closes: at('10:10:40') });
    expect(codes(day, aPlan({ drives: [drive('10:00')] }))).toEqual(['HOURS']);
    expect(codes(day, aPlan({ drives: [drive('09:59')] }))).toEqual([]);
  });

  it('end a hold at heldUntil, and the laps its wrap-up earlier', () => {
    const day = twoGuests();
    const narrow = { ...day, rules: { ...day.rules, maxCarsOnTrack: 1 } };
    const late = drive('10:00', { heldUntil: at('10:20') });
    expect(codes(narrow, aPlan({ drives: [late, other('10:15:59')] }))).toEqual(['TRACK_LOAD']);
    expect(codes(narrow, aPlan({ drives: [late, other('10:16')] }))).toEqual([]);
  });
});
