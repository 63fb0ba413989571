import fc from 'fast-check';
import * as z from 'zod';
import { emptyPlan } from '../day';
import { aDay, aGuest, at } from '../testing/small-day';
import { dayPatch, patchBetween, patched, type WrittenDay } from './day-patch';
import { dayView, type DayView } from './day-view';

const SUMMARY = { date: '2027-05-22', bookings: 1, drives: 1, revision: null, practice: false, byCalendar: false };
const REVISION = { author: 'Maren', reason: 'x', acceptedAt: '2027-05-22T06:00:00.000Z', despite: [] };

/** A day with some guests, each as some version of them. */
function viewOf(guests: readonly (readonly [number: number, arrives: number])[], revision: number | null): DayView {
  return {
    day: aDay({ guests: guests.map(([number, arrives]) => aGuest({ id: `g${number}`, arrives, drives: [] })) }),
    ...{ bookings: [], groups: [], currency: 'EUR', weekStartsOn: 1, carNumbers: { c1: 1 }, carColours: {} },
    ...{ carPhotos: {}, lapPrices: {}, stalls: {}, pitExit: { lastCheck: [] }, live: { slidesUpToMin: 5 } },
    ...{ gate: { asks: [], own: [] }, map: null, faults: [], journal: [], closestFollowS: 0.7, dataIssues: [] },
    plan: revision === null ? null : emptyPlan('2027-05-22'),
    revision: revision === null ? null : { revision, ...REVISION },
    clock: { date: '2027-05-22', secondsOfDay: at('09:00'), rate: 1, adjustable: false },
  };
}

const written = (view: DayView): WrittenDay =>
  z.encode(dayView.omit({ journal: true, clock: true, dataIssues: true }), view);

const anyGuests = fc.uniqueArray(fc.tuple(fc.nat({ max: 9 }), fc.integer({ min: at('09:00'), max: at('12:00') })), {
  selector: ([number]) => number,
  maxLength: 8,
});

describe('What has changed in a day', () => {
  it('makes the other day of the one, where it can be said', () => {
    let said = 0;
    fc.assert(
      fc.property(anyGuests, anyGuests, fc.boolean(), (some, others, planned) => {
        const [before, after] = [viewOf(some, null), viewOf(others, planned ? 2 : null)];
        const patch = patchBetween(written(before), written(after), SUMMARY);
        if (!patch) return;
        said += 1;
        expect(written(patched(before, dayPatch.parse(JSON.parse(JSON.stringify(patch)))))).toEqual(written(after));
      }),
    );
    expect(said).toBeGreaterThan(10);
  });

  it('is one guest where one has changed, and the plan alone where one was accepted', () => {
    const before = viewOf(
      [
        [1, at('09:00')],
        [2, at('09:30')],
      ],
      1,
    );
    const later = patchBetween(
      written(before),
      written(
        viewOf(
          [
            [1, at('09:00')],
            [2, at('10:00')],
          ],
          1,
        ),
      ),
      SUMMARY,
    )!;
    expect([later.guests!.put.map(({ id }) => id), later.guests!.gone, later.bookings, later.accepted]).toEqual([
      ['g2'],
      [],
      undefined,
      undefined,
    ]);
    const planned = patchBetween(
      written(before),
      written(
        viewOf(
          [
            [1, at('09:00')],
            [2, at('09:30')],
          ],
          2,
        ),
      ),
      SUMMARY,
    )!;
    expect([planned.guests, planned.accepted?.revision.revision]).toEqual([undefined, 2]);
  });

  it('cannot say that anything else has changed, nor another order', () => {
    const before = viewOf(
      [
        [1, at('09:00')],
        [2, at('09:30')],
      ],
      1,
    );
    const damp = { ...before, day: { ...before.day, closes: before.day.closes - 600 } };
    expect(patchBetween(written(before), written(damp), SUMMARY)).toBeUndefined();
    const turned = viewOf(
      [
        [2, at('09:30')],
        [1, at('09:00')],
      ],
      1,
    );
    expect(patchBetween(written(before), written(turned), SUMMARY)).toBeUndefined();
    const withdrawn = { ...before, plan: null, revision: null };
    expect(patchBetween(written(before), written(withdrawn), SUMMARY)).toBeUndefined();
  });
});
