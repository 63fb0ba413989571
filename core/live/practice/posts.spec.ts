import { aDay, aPlan, drive } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { crewId, isByCrew, postOf, samePost } from './posts';

const day = aDay();
const plan = aPlan({ drives: [drive('10:00')] });
const INSTRUCTOR = day.instructors[0]!;

describe('A post of the crew', () => {
  const state = () => {
    const it = writtenJournal(day, plan);
    it.clear('g1');
    it.enter('09:55', { kind: 'seated', drive: 'd1', car: 'c1', instructor: INSTRUCTOR.id });
    return it.state('09:56');
  };

  it('is the station at which an entry is made', () => {
    const at = (kind: Parameters<typeof postOf>[0]['kind'], by = 'Office') => postOf({ kind, by }, state())?.station;
    expect(at('guestArrived')).toBe('gate');
    expect(at('classBegan')).toBe('classroom');
    expect(at('released')).toBe('pitExit');
    expect(at('refuelBegan')).toBe('garage');
    expect(at('deskDone')).toBe('desk');
    expect(at('planAccepted')).toBeUndefined();
    expect(at('lineCrossed')).toBeUndefined();
  });

  it('is none where something is said of a guest from anywhere, and the desk where a lap is sold', () => {
    expect(postOf({ kind: 'guestUnwell', by: 'Office' }, state())).toBeUndefined();
    expect(postOf({ kind: 'guestWell', by: 'Office' }, state())).toBeUndefined();
    const lap = { kind: 'extraLapGranted', by: 'Office', drive: 'd1' } as const;
    expect([postOf(lap, state())?.station, postOf({ ...lap, price: 29 }, state())?.station]).toEqual([
      'pitExit',
      'desk',
    ]);
  });

  it('is one instructor at the cars, found by the drive, and the others are not', () => {
    const entry = { kind: 'parked', by: 'Office', drive: 'd1' } as const;
    expect(postOf(entry, state())).toEqual({ station: 'cars', instructor: INSTRUCTOR.id });
    expect(postOf({ kind: 'parked', by: 'Office' }, state())).toBeUndefined();
  });

  it('of what is said from the exit or from the car is that of whoever says it', () => {
    expect(postOf({ kind: 'lapCounted', by: 'Office' }, state())).toEqual({ station: 'pitExit' });
    expect(postOf({ kind: 'lapCounted', by: INSTRUCTOR.name }, state())).toEqual({
      station: 'cars',
      instructor: INSTRUCTOR.id,
    });
  });

  it('is the same only with the same instructor', () => {
    expect(samePost({ station: 'cars', instructor: 'i1' }, { station: 'cars', instructor: 'i1' })).toBeTrue();
    expect(samePost({ station: 'cars', instructor: 'i1' }, { station: 'cars', instructor: 'i2' })).toBeFalse();
    expect(samePost({ station: 'gate' }, { station: 'desk' })).toBeFalse();
  });

  it('knows entries of the crew by their ids', () => {
    expect(isByCrew({ id: crewId('12345678') })).toBeTrue();
    expect(isByCrew({ id: '3f0d2c1a-crew' })).toBeFalse();
  });
});
