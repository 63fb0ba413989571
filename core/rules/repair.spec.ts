import { inEnglish } from '../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { checkPlan } from './check-plan';
import { frozenOf } from './frozen';

const day = aDay({
  cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
  guests: [aGuest(), aGuest({ id: 'g2', name: 'Piet Verhoeve', drives: [{ id: 'd2', cars: ['c1', 'c2'], laps: 5 }] })],
  instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
});
const previous = aPlan({
  drives: [drive('10:00'), drive('11:00', { drive: 'd2', car: 'c2', instructor: 'i2' })],
});
const codes = (plan: typeof previous, nowS = at('10:05'), changed = day) =>
  checkPlan(changed, plan, { previous, nowS }).violations.map(({ code }) => code);

describe('Repair', () => {
  it('leaves what has begun exactly as it was', () => {
    expect(codes(previous)).toEqual([]);
    const moved = { ...previous, drives: [drive('10:30'), previous.drives[1]!] };
    expect(codes(moved)).toEqual(['REPAIR_STANDS']);
  });

  it('lets what begins at this very second still be moved', () => {
    // A drive released at 10:00 begins with its set-up at 09:56.
    const moved = { ...previous, drives: [drive('10:30'), previous.drives[1]!] };
    expect(codes(moved, at('09:56'))).toEqual([]);
    expect(codes(moved, at('09:56:01'))).toEqual(['REPAIR_STANDS']);
  });

  it('lets nothing new begin in the past', () => {
    const early = { ...previous, drives: [previous.drives[0]!, { ...previous.drives[1]!, release: at('10:08') }] };
    expect(codes(early)).toEqual(['REPAIR_NOW']);
    const soon = { ...previous, drives: [previous.drives[0]!, { ...previous.drives[1]!, release: at('10:09') }] };
    expect(codes(soon)).toEqual([]);
  });

  it('frees a drive whose car is withdrawn from under it, and says so', () => {
    const withdrawn = { ...day, cars: [aCar({ available: [{ from: at('08:00'), to: at('10:05') }] }), day.cars[1]!] };
    const standing = frozenOf(withdrawn, { previous, nowS: at('10:05') });
    expect(standing.drives).toEqual([]);
    expect(standing.dropped.map(inEnglish(withdrawn).dropped)).toEqual([
      'Ines Faro in Dunnock Cup at 10:00 had begun and can no longer stand: Dunnock Cup is not available for all of it',
    ]);
    const again = {
      ...previous,
      drives: [previous.drives[1]!],
      unplanned: [{ drive: 'd1', reason: 'car withdrawn' }],
    };
    expect(codes(again, at('10:05'), withdrawn)).toEqual([]);
  });

  it('keeps the guests of a class who are still allowed, and frees those who depended on a fallen class', () => {
    const fresh = {
      ...day,
      guests: day.guests.map((guest) => ({ ...guest, briefed: false, sighted: false })),
    };
    const before = aPlan({
      briefings: [{ start: at('09:00'), instructor: 'i1', guests: ['g1', 'g2'] }],
      sightings: [{ release: at('09:35'), vehicle: 's1', instructor: 'i1', guests: ['g1', 'g2'] }],
    });
    const gone = { ...fresh, guests: [fresh.guests[0]!] };
    const kept = frozenOf(gone, { previous: before, nowS: at('09:40') });
    expect(kept.briefings[0]!.guests).toEqual(['g1']);
    expect(kept.sightings[0]!.guests).toEqual(['g1']);
    const ill = { ...fresh, instructors: [anInstructor({ brief: false }), fresh.instructors[1]!] };
    const dropped = frozenOf(ill, { previous: before, nowS: at('09:40') });
    expect(dropped.briefings).toEqual([]);
    expect(dropped.sightings).toEqual([]);
  });
});
