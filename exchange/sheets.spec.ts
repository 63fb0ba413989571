import type { Booking } from '@core/api';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '@core/testing/small-day';
import { daySheet, instructorSheet, type SheetSource } from './sheets';

const booking: Booking = {
  id: 'g1',
  version: 1,
  fields: {
    reference: 'A1',
    name: 'Ines Faro',
    languages: ['en'],
    arrives: at('09:00'),
    pace: 'first',
    touch: false,
    sequence: 'any',
    price: 0,
    paid: 0,
    briefed: true,
    sighted: true,
    avoidInstructors: [],
    preferInstructors: [],
    drives: [],
    notes: 'Competes with her brother',
    healthNote: 'Motion sickness once',
  },
};

const source: SheetSource = {
  day: aDay({
    cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
    instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
    guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c2'], laps: 7 }] })],
  }),
  plan: aPlan({
    briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g2'] }],
    drives: [drive('10:00:15')],
    unplanned: [{ drive: 'd2', reason: 'Sabrel R is away all day; offer another car.' }],
  }),
  revision: 3,
  bookings: [booking],
  carNumbers: { c1: 1, c2: 9 },
};

describe('The day sheet', () => {
  const text = JSON.stringify(daySheet(source, 'desk').content);

  it('has every class and every drive with its times, number and people', () => {
    for (const words of [
      '"09:00"',
      '"10:00:15"',
      '"09:56"',
      '"1"',
      'Dunnock Cup',
      'Ines Faro',
      'Anselm Holt',
      'plan 3',
    ]) {
      expect(text).toContain(words);
    }
  });

  it('has what is left out, with the reason', () => {
    expect(text).toContain('Piet Verhoeve');
    expect(text).toContain('Sabrel R is away all day; offer another car.');
  });

  it('says what whoever sits beside the guest has to know', () => {
    expect(text).toContain('no touch as a prompt');
    expect(text).toContain('Competes with her brother');
    expect(text).toContain('Motion sickness once');
  });

  it('draws a bead for each lap', () => {
    expect(text.split('<circle').length - 1).toBe(5);
  });
});

describe('The sheet that hangs on the wall', () => {
  it('says for whom it is, and carries nothing but names, times and cars', () => {
    const text = JSON.stringify(daySheet(source, 'wall').content);
    for (const words of ['for the wall', 'Ines Faro', '10:00:15', 'Dunnock Cup']) expect(text).toContain(words);
    for (const words of ['Competes', 'Motion', 'voice only', 'Mind', 'offer another car', 'Left out']) {
      expect(text).not.toContain(words);
    }
    expect(JSON.stringify(daySheet(source, 'desk').content)).toContain('not to be hung up');
    expect(JSON.stringify(instructorSheet(source, 'i1')!.content)).toContain('For Anselm Holt');
  });
});

describe('An instructor’s sheet', () => {
  it('has this instructor’s activities only, in order', () => {
    const text = JSON.stringify(instructorSheet(source, 'i1')!.content);
    expect(text.indexOf('class')).toBeLessThan(text.indexOf('Dunnock Cup'));
    expect(text).toContain('2 activities. Meal between 11:30 and 14:00.');
  });

  it('says so where nothing is planned, and is none for a stranger', () => {
    expect(JSON.stringify(instructorSheet(source, 'i2')!.content)).toContain('Nothing is planned for this instructor.');
    expect(instructorSheet(source, 'iX')).toBeUndefined();
  });
});
