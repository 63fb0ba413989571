import * as z from 'zod';
import { mixedDay } from '../testing/group-days';
import { seededRandom } from '../planner';
import { aDay } from '../testing/small-day';
import { carsNeeded, vehiclesOf } from './group-size';
import { dayFile, slipsOf, versionOf, type Day } from '../day';
import { parseJson } from '../values';

const DAY = mixedDay(seededRandom(1), 4, 2);
const text = (day: Day, change: (file: Record<string, unknown>) => void = () => undefined) => {
  const file = z.encode(dayFile, day) as unknown as Record<string, unknown>;
  change(file);
  return JSON.stringify(file);
};

describe('Version 2 of the day file', () => {
  it('comes back from its text as it was', () => {
    const read = parseJson(text(DAY), dayFile);
    expect(read.ok && JSON.parse(text(read.value))).toEqual(JSON.parse(text(DAY)));
  });

  it('is needed for what version 1 does not know, and each such place is named', () => {
    const read = parseJson(
      text(DAY, (file) => (file['version'] = 1)),
      dayFile,
    );
    const paths = read.ok ? [] : read.faults.map(({ path }) => path);
    expect(paths).toEqual(
      jasmine.arrayContaining(['surfaces', 'groups', 'rules.rides', 'cars[0].ride', 'instructors[0].duties']),
    );
    expect([versionOf(DAY), versionOf(aDay())]).toEqual([2, 1]);
  });

  it('says what a group names that is not there, and goes on', () => {
    const groups = [{ ...DAY.groups![0]!, surface: 'moon', members: ['nobody'], leadCars: ['gone'] }];
    expect(slipsOf({ ...DAY, groups }).map(({ path }) => path)).toEqual([
      'groups[0].surface',
      'groups[0].members[0]',
      'groups[0].leadCars[0]',
    ]);
  });

  it('counts what a group takes: one car each in a train with the leader in front, two at once on the oval', () => {
    const [train, , oval, pan] = DAY.groups!;
    expect([carsNeeded(train!), vehiclesOf(train!)]).toEqual([4, 5]);
    expect([carsNeeded(oval!), vehiclesOf(oval!)]).toEqual([2, 2]);
    expect([carsNeeded(pan!), vehiclesOf(pan!)]).toEqual([3, 3]);
    expect(vehiclesOf({ ...train!, staffCars: ['c9'] })).toBe(6);
  });
});
