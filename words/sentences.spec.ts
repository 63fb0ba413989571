import { fact } from '@core/values';
import type { Activity, Day } from '@core/day';
import { inEnglish } from '@core/testing/in-english';
import { aCar, aDay, aGuest, anInstructor, at } from '@core/testing/small-day';
import type { JournalEntry } from '@core/journal';
import { namesOf } from './names';
import { wordsIn } from './';
import type { Words } from './words';

const day: Day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
  guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [] })],
});
const words = inEnglish(day);
const drive: Activity = { kind: 'drive', drive: 'd1', guest: 'g1', car: 'c1', releaseS: at('11:02') };
const briefing: Activity = { kind: 'briefing', instructor: 'i2', startS: at('09:30') };
const sighting: Activity = { kind: 'sighting', vehicle: 's1', releaseS: at('10:05') };
const refuel: Activity = { kind: 'refuel', car: 'c2', startS: at('12:00') };
const at12 = { atS: at('12:00') };

/** Facts of one kind, each with what people read. */
function tells<K extends keyof Words>(kind: K, rows: readonly (readonly [Parameters<Words[K]>[0], string])[]): void {
  const tell = words[kind] as (of: Parameters<Words[K]>[0]) => string;
  for (const [of, sentence] of rows) expect(tell(of)).toBe(sentence);
}

describe('People read', () => {
  it('what an activity is', () => {
    tells('activity', [
      [drive, 'Ines Faro in Dunnock Cup at 11:02'],
      [briefing, 'the class at 09:30 with Ife Okoro'],
      [sighting, 'the sighting run at 10:05 in Heron'],
      [refuel, 'refuelling Sabrel R at 12:00'],
    ]);
  });

  it('why a car does not fit', () => {
    const pair = { car: 'c2', guest: 'g1' };
    tells('misfit', [
      [fact('notBooked', pair), 'Sabrel R is not among the cars that Ines Faro booked'],
      [fact('gearbox', pair, { wanted: 'auto' }), 'Sabrel R has no automatic gearbox, as Ines Faro wants'],
      [fact('gearbox', pair, { wanted: 'paddle' }), 'Sabrel R has no paddle gearbox, as Ines Faro wants'],
      [fact('tooTall', pair, { heightCm: 201, mostCm: 190 }), 'Ines Faro is 201 cm tall, Sabrel R takes up to 190 cm'],
      [
        fact('tooShort', pair, { heightCm: 140, leastCm: 150 }),
        'Ines Faro is 140 cm tall, Sabrel R needs at least 150 cm',
      ],
      [fact('tooHeavy', pair, { weightKg: 130, mostKg: 120 }), 'Ines Faro weighs 130 kg, Sabrel R takes up to 120 kg'],
    ]);
  });

  it('what had begun and cannot stay', () => {
    const begun = 'Ines Faro in Dunnock Cup at 11:02 had begun and can no longer stand: ';
    tells('dropped', [
      [
        { activity: drive, obstacle: fact('carAway', { car: 'c1' }) },
        `${begun}Dunnock Cup is not available for all of it`,
      ],
      [{ activity: drive, obstacle: fact('crewUnable', { instructor: 'i1' }) }, `${begun}Anselm Holt may not do it`],
      [
        { activity: drive, obstacle: fact('tooTall', { car: 'c1', guest: 'g1' }, { heightCm: 201, mostCm: 190 }) },
        `${begun}Ines Faro is 201 cm tall, Dunnock Cup takes up to 190 cm`,
      ],
      [
        { activity: sighting, obstacle: fact('vehicleGone', { vehicle: 'old' }) },
        'the sighting run at 10:05 in Heron had begun and can no longer stand: old is no longer there',
      ],
    ]);
  });

  it('why a drive changes its place', () => {
    tells('change', [
      [fact('carWithdrawn', { car: 'c9' }), 'c9 is withdrawn'],
      [fact('carRefuels', { car: 'c2' }), 'Sabrel R refuels then'],
      [fact('guestComes', { guest: 'g1' }, { arrivesS: at('10:20') }), 'Ines Faro comes at 10:20'],
      [fact('ownActivity', { activity: briefing }), 'the class at 09:30 with Ife Okoro is then'],
      [
        fact('carInGroup', { car: 'c1', activity: { kind: 'group', group: 'g-oval', releaseS: at('11:30') } }),
        'Dunnock Cup is then in g-oval at 11:30',
      ],
      [fact('carTaken', { car: 'c1', guest: undefined }), 'Dunnock Cup is then with another guest'],
      [
        fact('crewTaken', { instructor: 'i2', activity: sighting }),
        'Ife Okoro has the sighting run at 10:05 in Heron then',
      ],
      [fact('friendThen', { friend: 'g2' }, { kind: 'inTurnWith' }), 'in turn with Piet Verhoeve, as the two wish'],
      [fact('waitsLess', { guest: 'g2' }, { savedS: 1830 }), 'Piet Verhoeve waits 31 min less'],
      [fact('leftOut', {}, { reason: 'The guest would rather look on.' }), 'The guest would rather look on.'],
      [fact('notBooked', {}), 'no longer booked on this day'],
    ]);
    const now = { kind: 'sighting', atS: at('09:45'), instructor: 'i1', guests: ['g1'] } as const;
    const before = { ...now, kind: 'briefing', guests: ['g1', 'g2'] } as const;
    tells('sharedChange', [
      [{ ...at12, now, before: undefined }, 'the sighting run at 09:45 with Anselm Holt, 1 guest is new'],
      [{ ...at12, now: undefined, before }, 'the class at 09:45 with Anselm Holt, 2 guests falls away'],
    ]);
  });

  it('who could drive along, and what would give a drive its place', () => {
    tells('assignment', [
      [fact('teachesNot', { car: undefined }), 'may not teach in the car'],
      [fact('together', {}, { drives: 1 }), 'has 1 other drive of this guest'],
      [fact('askedFor', {}), 'the guest asked for'],
      [fact('friendToo', { guest: 'g2' }), 'has Piet Verhoeve too, as the two wish'],
      [fact('load', {}, { laps: 10, meanLaps: 3.4 }), '10 laps planned, the mean is 3'],
    ]);
    expect(words.remedy({ kind: 'unpin', drive: 'd1' }, 0)).toBe('take the pin out');
    expect(words.remedy({ kind: 'closes', to: at('18:20') }, 0)).toBe('the day goes on until 18:20');
    expect(words.remedy({ kind: 'car', drive: 'd1', car: 'c2' }, at('11:32'))).toBe('Sabrel R instead, at 11:32');
  });

  it('what limits a day', () => {
    const kind = { share: 0.614, peakShare: 0.9, peakS: at('11:15') };
    tells('limit', [
      [fact('car', { car: 'c2' }, { share: 0.801 }), 'Sabrel R limits the day: 80 % of its time is taken.'],
      [
        fact('kind', { id: 'i1' }, { ...kind, kind: 'instructor' }),
        'The instructors limit the day: 61 % taken on the whole, 90 % at 11:15.',
      ],
      [
        fact('kind', { id: 'circuit' }, { ...kind, kind: 'circuit' }),
        'Room on the circuit limits the day: 61 % taken on the whole, 90 % at 11:15.',
      ],
    ]);
    tells('resource', [
      [{ kind: 'car', id: 'c2' }, 'Sabrel R'],
      [{ kind: 'instructor', id: 'i2' }, 'Ife Okoro'],
      [{ kind: 'releases', id: 'releases' }, 'Releases at the pit exit'],
    ]);
  });

  it('why nobody is let out, and what became of an entry', () => {
    const closed = fact('closed', {}, { untilS: at('13:00'), reason: 'quiet half-hour' });
    tells('refusal', [
      [closed, 'The circuit is closed until 13:00 (quiet half-hour).'],
      [fact('flagUp', {}, { flag: 'stop', sinceS: at('10:20') }), 'All-stop since 10:20: nobody is let out.'],
      [
        fact('notCleared', { guest: 'g1' }, { missing: ['waiver', 'helmet'] }),
        'Ines Faro is not cleared at the gate yet: waiver, helmet missing.',
      ],
      [
        fact('inTheWay', { car: 'c1', guest: 'g1' }, { sinceS: at('10:20'), of: 'clearing' }),
        'Dunnock Cup with Ines Faro stands in the way since 10:20. Enter that it is in, then clear the circuit.',
      ],
      [
        fact('laterStandsOnIt', { entry: 'e' }, { atS: at('10:30'), refusal: fact('notArrived', { guest: 'g1' }) }),
        'At 10:30 there is an entry that stands on it; take that back first. (Ines Faro has not arrived yet.)',
      ],
      [fact('unknown', { id: 's9' }, { kind: 'vehicle' }), 'There is no sighting vehicle "s9" today.'],
    ]);
    tells('resolution', [
      [fact('tooManyOut', {}, { vehicles: 6, most: 5 }), '6 cars are on the circuit, 5 are allowed.'],
      [
        fact('keptOnly', {}, { refusal: closed, corrected: undefined }),
        'The circuit is closed until 13:00 (quiet half-hour). Kept, but it changes nothing.',
      ],
    ]);
  });

  it('advice at the pit exit, in a word or two', () => {
    const wait = { waitS: 39 };
    const [heron, sabrel] = [
      { kind: 'sighting', vehicle: 's1' },
      { kind: 'drive', vehicle: 'c2' },
    ] as const;
    const numbered = { ...namesOf(day), carNumber: () => 4 };
    expect(wordsIn('en', numbered).runner(sabrel)).toBe('car 4');
    tells('advice', [
      [fact('clear', {}, { passes: 0, nextS: undefined, tight: false }), 'Clear now: no pass expected.'],
      [
        fact('clear', {}, { passes: 1, nextS: 27.9, tight: false }),
        'Clear now: one pass expected, 27 s until the next car comes past.',
      ],
      [
        fact('clear', {}, { passes: 3, nextS: 5, tight: true }),
        'Now or later, tight: 5 s until the next car comes past, 3 passes expected.',
      ],
      [fact('noRoom', {}, { withinS: 180 }), 'No room in the next 3 min.'],
      [fact('letPast', { runner: heron }, { ...wait, times: 1, aheadS: 4 }), 'Hold 39 s: let Heron come past first.'],
      [
        fact('letPast', { runner: heron }, { ...wait, times: 1, aheadS: 37.4 }),
        'Hold 39 s: until Heron has come past and is 37 s ahead.',
      ],
      [
        fact('letPast', { runner: heron }, { ...wait, times: 2, aheadS: 3 }),
        'Hold 39 s: until Heron has come past twice.',
      ],
      [fact('circuitFull', { next: undefined }, wait), 'Hold 39 s: the circuit is full, a car comes off next.'],
      [
        fact('wouldPass', { runner: sabrel }, { ...wait, lap: 3, corner: 'Mooring' }),
        'Hold 39 s: now it would pass Sabrel R on lap 3, near Mooring.',
      ],
    ]);
    tells('delay', [
      [fact('nextInCar', { guest: 'g2' }, { byS: 70 }), 'next in this car, Piet Verhoeve: 1 min later'],
      [fact('crewsNext', { activity: briefing }, { byS: 200 }), 'instructor’s next, the next class: 3 min later'],
      [fact('guestsNext', { guest: 'g1' }, { byS: 31 }), 'Ines Faro’s next drive: 1 min later'],
    ]);
  });

  it('what an entry says, and how its time was corrected', () => {
    const entry = (what: object) => ({ id: 'entry-0001', at: at('10:00'), by: 'Gate', ...what }) as JournalEntry;
    tells('entry', [
      [entry({ kind: 'guestArrived', guest: 'g1' }), 'Arrived'],
      [entry({ kind: 'lapSpoiled', drive: 'd1', lap: 3, reason: 'traffic' }), 'Lap 3 spoiled: traffic'],
      [entry({ kind: 'brokenOff', drive: 'd1', reason: 'spin' }), 'Broken off: spin'],
      [entry({ kind: 'owedAgreed', drive: 'd1', notBefore: at('14:00') }), 'Laps owed: not before 14:00'],
      [entry({ kind: 'flagCalled', flag: 'stop', reason: 'car in the grass' }), 'All-stop: car in the grass'],
      [entry({ kind: 'driveMarked', drive: 'd1', marks: [], good: 'listened' }), 'Marked: no fault, good: listened'],
      [
        entry({ kind: 'parked', drive: 'd1', corrected: { from: at('10:20') } }),
        'Parked (time corrected, the device gave 10:20)',
      ],
    ]);
  });

  it('what positions show, and what is left to do before tomorrow', () => {
    tells('markReason', [
      [fact('brakesBeforeCone', {}, { metres: 14.4, within: 1.2 }), 'brakes 14 m, give or take 2, before the cone'],
      [fact('slow', {}, { kmh: 41.4, wouldDoKmh: 47.7 }), '41 km/h at the slowest, 48 would do'],
    ]);
    tells('toDo', [
      [fact('lapsOwed', { guest: 'g1' }, { laps: 1 }), '1 lap is owed to Ines Faro.'],
      [fact('faultOpen', { car: 'c1' }, { where: 'brakes', what: 'pedal long' }), 'Dunnock Cup: brakes, pedal long.'],
      [fact('balancesDue', {}, { guests: 2 }), '2 guests have a balance due.'],
      [fact('followUp', {}, { text: 'ring the insurer' }), 'ring the insurer.'],
    ]);
    tells('figure', [
      ['wait90', 'Waiting, nine of ten under'],
      ['moneyDue', 'Due'],
    ]);
  });
});
