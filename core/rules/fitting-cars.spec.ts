import { aCar, aDay, aGuest } from '../testing/small-day';
import { drivesThatDoNotFit } from './fitting-cars';

const low = { maxHeightCm: 190 };
const day = aDay({
  cars: [
    aCar({ id: 'c1', level: 3, fit: low }),
    aCar({ id: 'c2', level: 5 }),
    aCar({ id: 'c3', level: 3, gearboxes: ['paddle'] }),
    aCar({ id: 'c4', level: 4 }),
  ],
});
const tall = (cars: string[], more = {}) =>
  aGuest({ id: 'g1', heightCm: 196, drives: [{ id: 'd1', cars, laps: 5, ...more }] });
const offers = (guest: ReturnType<typeof tall>, planned?: string) =>
  drivesThatDoNotFit(day, guest, () => planned).map(({ car, misfit, offers: them }) => [
    car,
    misfit.code,
    ...them.map(({ car: { id }, booked }) => `${id}${booked ? ', booked' : ''}`),
  ]);

describe('A car that does not fit', () => {
  it('is told with those that do: what was booked first, then the nearest in level', () => {
    expect(offers(tall(['c1', 'c2']), 'c1')).toEqual([['c1', 'tooTall', 'c2, booked', 'c3', 'c4']]);
  });

  it('is none while another of the cars that were booked fits and the drive has no place yet', () => {
    expect(offers(tall(['c1', 'c2']))).toEqual([]);
    expect(offers(tall(['c1']))).toEqual([['c1', 'tooTall', 'c3', 'c4', 'c2']]);
  });

  it('may be one without the gearbox that is wanted', () => {
    expect(offers(tall(['c3'], { gearbox: 'auto' }), 'c3')).toEqual([['c3', 'gearbox', 'c4', 'c2']]);
  });
});
