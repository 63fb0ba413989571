import fc from 'fast-check';
import {
  comesOutEven,
  FEWEST_CARS,
  MOST_CARS,
  nearestEvenLaps,
  orderTable,
  orderTableAnew,
  ordersByLap,
  sharedAnew,
  type ChangeAfter,
} from './order-table';

const AFTER: ChangeAfter[] = [1, 2, 3, 4, 5, 6, 'onCall'];

describe('The order of a train', () => {
  it('is fair with every number of cars and laps and every way of changing', () => {
    for (let cars = FEWEST_CARS; cars <= MOST_CARS; cars++) {
      for (let laps = 1; laps <= 50; laps++) {
        for (const after of AFTER) {
          const table = orderTable(cars, laps, after);
          const byLap = ordersByLap(table);
          const at = (place: number) =>
            Array.from({ length: cars }, (_, car) => byLap.filter((order) => order.at(place) === car).length);
          const what = `${cars} cars, ${laps} laps, ${after}`;
          expect(byLap.length).withContext(what).toBe(laps);
          expect(at(0))
            .withContext(what)
            .toEqual([...table.first]);
          expect(at(-1))
            .withContext(what)
            .toEqual([...table.last]);
          for (const counts of [table.first, table.last]) {
            expect(Math.max(...counts) - Math.min(...counts))
              .withContext(what)
              .toBeLessThanOrEqual(1);
          }
        }
      }
    }
  });

  it('ends as it began wherever everybody has led, and says where it does not', () => {
    for (let cars = FEWEST_CARS; cars <= MOST_CARS; cars++) {
      for (let laps = 1; laps <= 50; laps++) {
        for (const after of AFTER) {
          const table = orderTable(cars, laps, after);
          const last = table.stretches.at(-1)!.order;
          const onceMore = [...last.slice(1), last[0]!];
          const atStart = table.stretches[0]!.order;
          expect(JSON.stringify(onceMore) === JSON.stringify(atStart)).toBe(table.restores);
          if (after === 'onCall' && laps >= cars) expect(table.restores).toBeTrue();
        }
      }
    }
  });

  it('keeps the venue’s rhythm where that is fair', () => {
    const table = orderTable(4, 8, 2);
    expect(table.stretches.map(({ laps }) => laps)).toEqual([2, 2, 2, 2]);
    expect([table.changes, table.restores, table.adapted, comesOutEven(table)]).toEqual([4, true, false, true]);
  });

  it('gives up the rhythm rather than the fairness: three turns of two laps are none for the fourth car', () => {
    const table = orderTable(4, 6, 2);
    expect(table.stretches.map(({ laps }) => laps)).toEqual([2, 2, 1, 1]);
    expect([table.adapted, table.restores]).toEqual([true, true]);
  });

  it('offers the nearest numbers of laps that come out even', () => {
    expect(nearestEvenLaps(4, 10, 1)).toEqual({ fewer: 8, more: 12 });
    expect(nearestEvenLaps(4, 3, 1)).toEqual({ fewer: undefined, more: 4 });
    expect(nearestEvenLaps(6, 49, 3)).toEqual({ fewer: 36, more: undefined });
    for (let cars = FEWEST_CARS; cars <= MOST_CARS; cars++) {
      for (const after of AFTER) {
        const { fewer, more } = nearestEvenLaps(cars, 17, after);
        for (const laps of [fewer, more]) if (laps) expect(comesOutEven(orderTable(cars, laps, after))).toBeTrue();
      }
    }
  });

  it('is made anew for those who remain: whoever led less leads longer', () => {
    // Car 2 has gone; 3 is first now and has not led yet, 0 and 1 have.
    expect(orderTableAnew({ order: [3, 0, 1], led: [0, 2, 2], lapsLeft: 5 })).toEqual([
      { laps: 3, order: [3, 0, 1] },
      { laps: 1, order: [0, 1, 3] },
      { laps: 1, order: [1, 3, 0] },
    ]);
  });

  it('anew, is as even as the laps left allow', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 30 }),
        (led, lapsLeft) => {
          const toCome = sharedAnew({ order: led.map((_, car) => car), led, lapsLeft });
          const all = led.map((laps, car) => laps + toCome[car]!);
          expect(toCome.reduce((sum, laps) => sum + laps, 0)).toBe(lapsLeft);
          // Whoever is given a lap has led no more than anybody else by the end, but for that one.
          toCome.forEach((laps, car) => {
            if (laps > 0) expect(all[car]! - Math.min(...all)).toBeLessThanOrEqual(1);
          });
        },
      ),
    );
  });
});
