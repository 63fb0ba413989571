import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { DayBefore } from '@core/people/coaching';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { day, plan, seen } from '../../../testing/two-guests';
import { HandoverScreen } from './handover';

const KEY = 'joylap.counter';

/** Ines Faro drives with i1, then Piet Verhoeve with i2; both have seen the circuit. */
function morning(notes: Record<string, unknown> = {}): FakeDay {
  const it = new FakeDay(day, plan, '10:10', [
    aBooking('g1', { name: 'Ines Faro', touch: false, ...notes }),
    aBooking('g2', { name: 'Piet Verhoeve' }),
  ]);
  return seen(it);
}

function driven(it = morning()): FakeDay {
  it.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '10:11');
  it.record({ kind: 'released', drive: 'd1' }, '10:15');
  for (const time of ['10:16:20', '10:17:39', '10:18:58', '10:20:17', '10:21:36']) {
    it.record({ kind: 'lapCounted', drive: 'd1', source: 'hand' }, time);
  }
  it.record({ kind: 'broughtIn', drive: 'd1' }, '10:21:50');
  it.record({ kind: 'parked', drive: 'd1' }, '10:23');
  it.clockS.set(10 * 3600 + 24 * 60);
  return it;
}

describe('The instructor’s phone between two drives', () => {
  beforeEach(() => localStorage.removeItem(KEY));
  afterEach(() => localStorage.removeItem(KEY));

  it('asks whose it is, remembers it, and lets it be handed on', async () => {
    const { shown, pick } = await phone(morning());
    expect(shown.text()).toContain('Whose phone is this?');
    await pick('Anselm Holt');
    expect(shown.text()).toContain('Ines Faro');
    expect(localStorage.getItem(KEY)).toBe('i1');
    await shown.press('Not Anselm Holt?');
    expect(shown.text()).toContain('Whose phone is this?');
    expect(localStorage.getItem(KEY)).toBeNull();
  });

  it('says whom I get next: where, when, in what, and what to mind', async () => {
    const { shown, pick } = await phone(morning({ healthNote: 'Motion sickness once', drivesOn: 'left' }));
    await pick('Anselm Holt');
    const words = shown.text();
    expect(words).toContain('Dunnock Cup, stall 4 · 5 laps · 10:11, in 1 min');
    expect(words).toContain('first drive today');
    const minds = [...shown.element.querySelectorAll('.minds li')].map((li) => li.textContent.trim());
    expect(minds).toEqual(['Motion sickness once', 'no touch as a prompt', 'drives on the left at home']);
  });

  it('says what was misunderstood in class, and whether it may be somebody else’s hand', async () => {
    const it = morning();
    const misread = 'mixed up brake and turn in cones';
    it.record(
      { kind: 'answersCounted', instructor: 'i1', question: 'Cones?', hands: [1, 1], right: 1, misread: [misread, ''] },
      '09:44',
    );
    const { shown, pick } = await phone(it);
    await pick('Anselm Holt');
    expect(shown.text()).toContain(`In class, 1 of 2: ${misread}. Nobody has said who: ask`);
    it.record({ kind: 'answerMissed', guest: 'g1', question: 'Cones?', misread }, '10:05');
    await shown.follow();
    expect(shown.text()).toContain(`In class: ${misread}`);
  });

  it('leads through the talk in the car line by line, and folds what has been said', async () => {
    const it = morning({ occasion: 'fortieth birthday' });
    const { shown, pick } = await phone(it);
    await pick('Anselm Holt');
    const section = (name: string) => shown.element.querySelector(`jl-talk [aria-label="${name}"]`)!;
    expect(section('This guest').textContent).toContain('Occasion: fortieth birthday');
    expect(section('Out, passing, in').textContent).toContain('In at the anchor board, stall 4');
    await shown.press('All said: Before it rolls');
    expect(section('Before it rolls').querySelectorAll('.line').length).toBe(0);
    expect(section('Before it rolls').textContent).toContain('6, said');
    await shown.press(/Occasion: fortieth/);
    const [, one] = it.entries().slice(-2);
    expect(one!.entry).toEqual(jasmine.objectContaining({ kind: 'talkTicked', drive: 'd1' }));
    expect(it.state().drives.get('d1')!.talked.size).toBe(7);
  });

  it('keeps that the card was read, and by whom, once', async () => {
    const it = morning();
    const { shown, pick } = await phone(it);
    await pick('Anselm Holt');
    await shown.press('Read');
    await shown.follow();
    expect(it.kinds().at(-1)).toBe('handoverSeen');
    expect(shown.text()).toMatch(/Read by \w+/);
    expect([...shown.element.querySelectorAll('button')].map((one) => one.textContent.trim())).not.toContain('Read');
  });

  it('seats the guest from the card, and goes on to the counter', async () => {
    localStorage.setItem('joylap.counter', 'i2');
    const data = seen();
    const { press, text } = await show(HandoverScreen, data);
    const goTo = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await press('Guest is seated');
    expect(data.state().drives.get('d2')!.stage).toBe('seated');
    expect(goTo).toHaveBeenCalledOnceWith(['/counter']);
    expect(text()).not.toContain('Guest is seated');
    localStorage.removeItem('joylap.counter');
  });

  it('asks for no marks of a ride: whoever sat beside has made no mistakes', async () => {
    const rode = {
      ...day,
      cars: day.cars.map((car) => ({ ...car, ride: { lapTimeS: 70, seats: 1 } })),
      guests: day.guests.map((guest) => ({
        ...guest,
        drives: guest.drives.map((one) => ({ ...one, ride: { seats: 1 } })),
      })),
    };
    const it = driven(seen(new FakeDay(rode, plan, '10:10')));
    const { shown, pick } = await phone(it);
    await pick('Anselm Holt');
    expect(it.state().drives.get('d1')!.stage).toBe('parked');
    expect(shown.text()).not.toContain('Mark the drive of');
  });

  it('asks for the marks of the drive that is behind me, and no longer once they are there', async () => {
    const it = driven();
    const { shown, pick } = await phone(it);
    await pick('Anselm Holt');
    expect(shown.text()).toContain('Mark the drive of Ines Faro, parked 10:23');
    expect(shown.text()).toContain('No further drive today for Anselm Holt.');
    it.record({ kind: 'driveMarked', drive: 'd1', marks: [{ fault: 'turns-early', corner: 'Ramp' }] });
    await shown.follow();
    expect(shown.text()).not.toContain('Mark the drive of');
    expect(shown.element.querySelector('ol a')!.textContent).toBe('more');
  });

  it('tells my day: what I have done, what I may do, and whether the meal still has a gap', async () => {
    const { shown, pick } = await phone(driven());
    await pick('Anselm Holt');
    const mine = shown.element.querySelector('.mine')!.textContent.replace(/\s+/g, ' ');
    expect(mine).toContain('1 drive, 5 of at most 130 laps, held');
    expect(mine).toContain('meal from');
    expect(shown.text()).toContain('speaks en; cars: all cars');
  });

  it('names who else is free for this car, and knows nobody’s earlier days without a server', async () => {
    const { shown, pick } = await phone(morning());
    await pick('Anselm Holt');
    expect(shown.text()).toContain('Free now for this car: Ife Okoro');
    expect(shown.element.querySelector('.last')).toBeNull();
  });

  it('tells what was to be worked on the last time', async () => {
    const { shown, pick } = await phone(morning());
    await pick('Anselm Holt');
    const last: DayBefore = {
      date: '2026-09-12',
      guest: 'old',
      name: 'Ines Faro',
      linked: true,
      drives: [{ ...DRIVE_BEFORE, car: 'Sabrel R', laps: 6 }],
      oneThing: 'Turns early',
      ready: 'paddles',
      reached: [],
    };
    shown.http.expectOne('/api/days/2027-05-22/guests/g1/before').flush({ days: [last] });
    await shown.follow();
    const words = shown.element.querySelector('.last')!.textContent;
    expect(words).toContain(
      'Last time 2026-09-12: Sabrel R, 6 laps · to work on then: turns early · ready for paddles',
    );
    expect(words).toContain("expect the first drive back at 1.16 of a good guest's lap");
  });
});

const DRIVE_BEFORE = {
  instructor: 'Anselm Holt',
  bestS: 90,
  index: 0.9,
  indexWithin: 0.01,
  gainS: 2,
  gainWithinS: 0.5,
  faults: [],
  good: [],
};

async function phone(it: FakeDay) {
  const shown = await show(HandoverScreen, it);
  const pick = async (name: string) => {
    await shown.press(name);
    await shown.follow();
  };
  return { shown, pick };
}
