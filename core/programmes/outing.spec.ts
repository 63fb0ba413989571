import * as fc from 'fast-check';
import { lapsOfEachCar, outingS, partsOf } from './outing';
import { ROLLING_CHANGE_S, STOPPED_CHANGE_S } from './ordinary';
import type { FollowProgramme, Programme } from './programme';
import { ordersToCome } from './train';

const train: FollowProgramme = {
  kind: 'follow',
  laps: 8,
  warmUpLaps: 1,
  coolDownLaps: 1,
  gentleFactor: 1.25,
  change: { after: 2, how: 'stopped', takesS: STOPPED_CHANGE_S },
};
const oval: Programme = {
  kind: 'throttle',
  steps: [
    { percent: 50, laps: 2, lapS: 40 },
    { percent: 100, laps: 3, lapS: 30 },
  ],
  startS: 60,
  finishS: 90,
  carsOut: 2,
};
const pan: Programme = {
  kind: 'lowGrip',
  leadLaps: 1,
  leadLapS: 120,
  stations: [
    { name: 'Slalom', kind: 'slalom', runS: 60 },
    { name: 'Circle', kind: 'circle', runS: 45 },
    { name: 'Course', kind: 'course', runS: 60 },
  ],
  teams: 3,
  runsEach: 2,
  changeS: 30,
  walkS: 180,
};
const of = (programme: Programme, members: number, cars: number) => ({
  programme,
  members,
  cars,
  slowestLapS: 80,
  paceFactor: 1,
});

describe('The time an outing takes', () => {
  it('of a train is its laps and its changes: three stopped ones and the one that restores the order cost six minutes', () => {
    const parts = partsOf(of(train, 4, 4));
    expect(parts.find(({ what }) => what === 'changes')).toEqual({ what: 'changes', times: 4, eachS: 90 });
    expect(outingS(of(train, 4, 4))).toBe(100 + 8 * 80 + 4 * 90 + 100);
    const rolling = { ...train, change: { after: 2, how: 'straight' as const, takesS: ROLLING_CHANGE_S } };
    expect(outingS(of(train, 4, 4)) - outingS(of(rolling, 4, 4))).toBe(4 * (STOPPED_CHANGE_S - ROLLING_CHANGE_S));
  });

  it('counts as many changes of a train as the leader calls, with and without laps in which the cars cool', () => {
    const count = (most: number) => fc.integer({ min: 0, max: most });
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 6 }),
        count(19),
        fc.integer({ min: 1, max: 4 }),
        count(2),
        (cars, more, after, cool) => {
          const programme = { ...train, laps: 1 + more, coolDownLaps: cool, change: { ...train.change, after } };
          const start = Array.from({ length: cars }, (_, place) => `g${place}`);
          const orders = ordersToCome(programme, { start, order: start, done: [] }).map((order) => order.join());
          const driven = orders.filter((order, lap) => lap > 0 && order !== orders[lap - 1]).length;
          expect(partsOf(of(programme, cars, cars)).find(({ what }) => what === 'changes')!.times).toBe(driven);
        },
      ),
    );
  });

  it('on the oval is one turn after the other, two guests at once, the odd one alone', () => {
    expect(outingS(of(oval, 5, 2))).toBe(3 * (60 + 2 * 40 + 3 * 30 + 90));
    expect(outingS({ ...of(oval, 2, 2), paceFactor: 1.1 })).toBe(60 + 2 * 44 + 3 * 33 + 90);
  });

  it('on the pan is as long at each station as the largest team needs at the longest one', () => {
    // Three rounds of exercises, then three in which one team is on the course. Seven in three teams, one car each: three
    // people, two runs each, five changes between them.
    const stationS = 6 * 60 + 5 * 30;
    expect(outingS(of(pan, 7, 3))).toBe(120 + 6 * stationS + 5 * 180);
    // Two cars a team: six runs by two at once.
    expect(outingS(of(pan, 7, 6))).toBe(120 + 6 * (3 * 60 + 2 * 30) + 5 * 180);
  });

  it('takes laps of a car for fuel and cooling', () => {
    expect(lapsOfEachCar(of(train, 4, 4), 1)).toBe(10);
    // Six guests in two cars are three turns of five laps, each two fifths of a lap of the circuit.
    expect(lapsOfEachCar(of(oval, 6, 2), 0.4)).toBe(6);
    expect(lapsOfEachCar(of(pan, 6, 3), 0.5)).toBe(4);
  });
});
