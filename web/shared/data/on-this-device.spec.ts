import {
  ChangeDetectionStrategy,
  Component,
  createEnvironmentInjector,
  EnvironmentInjector,
  runInInjectionContext,
} from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { askFor, onRequest } from '../frame/requests';
import { ThemeChoice } from '../frame/theme-choice';
import { serveDay } from '../../testing/fake-day';
import { theDay } from '../../testing/two-drives';
import { DeviceStorage } from './device-storage';
import { InstructorChoice } from './instructor-choice';
import { VenueClock } from './venue-clock';
import { keepScreenOn } from './wake-lock';
import { Who } from './who';

describe('What a device keeps', () => {
  let storage: DeviceStorage;
  beforeEach(async () => {
    TestBed.configureTestingModule({});
    storage = TestBed.inject(DeviceStorage);
    await storage.forgetDays();
    for (const { id } of await storage.entries()) await storage.removeEntry(id);
  });
  const day = (date: string, readMs: number) => ({ date, view: { date }, readMs });

  it('is each day by its date, and without a date the one that was read last', async () => {
    await storage.putDay(day('2027-05-22', 200));
    await storage.putDay(day('2027-05-23', 100));
    expect((await storage.day('2027-05-23'))?.readMs).toBe(100);
    expect((await storage.day())?.date).toBe('2027-05-22');
    await storage.putDay(day('2027-05-23', 300));
    expect((await storage.day())?.date).toBe('2027-05-23');
    await storage.forgetDays();
    expect(await storage.day()).toBeUndefined();
  });

  it('is entries in the order in which they were made, each once', async () => {
    const entry = (id: string, sinceMs: number, refusal?: string) => ({
      id,
      date: '2027-05-22',
      entry: {},
      sinceMs,
      refusal,
    });
    await storage.putEntry(entry('b', 20));
    await storage.putEntry(entry('a', 30));
    await storage.putEntry(entry('c', 10));
    await storage.putEntry(entry('a', 30, 'not here'));
    expect((await storage.entries()).map(({ id, refusal }) => [id, refusal])).toEqual([
      ['c', undefined],
      ['b', undefined],
      ['a', 'not here'],
    ]);
    await storage.removeEntry('b');
    expect((await storage.entries()).map(({ id }) => id)).toEqual(['c', 'a']);
  });

  it('is told to be kept nowhere where the storage is gone, and kept anew once there is one', async () => {
    await storage.putEntry({ id: 'a', date: '2027-05-22', entry: {}, sinceMs: 1 });
    let renewed = 0;
    storage.renewed.subscribe(() => renewed++);
    // Taken away in mid-work, and for a while there is none.
    const open = spyOn(IDBFactory.prototype, 'open').and.throwError('refused');
    await new Promise((resolve) => {
      indexedDB.deleteDatabase('joylap').onsuccess = resolve;
    });
    await storage.putEntry({ id: 'b', date: '2027-05-22', entry: {}, sinceMs: 2 });
    expect(storage.keeps()).toBeFalse();
    open.and.callThrough();
    await storage.putEntry({ id: 'c', date: '2027-05-22', entry: {}, sinceMs: 3 });
    expect([storage.keeps(), renewed]).toEqual([true, 1]);
    expect((await storage.entries()).map(({ id }) => id)).toEqual(['c']);
    await storage.removeEntry('c');
  });

  it('is whether it is dusk', () => {
    localStorage.setItem('joylap.theme', 'dusk');
    const theme = TestBed.inject(ThemeChoice);
    TestBed.tick();
    expect(document.documentElement.classList).toContain('dusk');
    theme.toggle();
    TestBed.tick();
    expect(document.documentElement.classList).not.toContain('dusk');
    expect(localStorage.getItem('joylap.theme')).toBe('light');
  });

  it('is who works there, never a blank', () => {
    const who = TestBed.inject(Who);
    who.set('  Maren  ');
    expect([who.name(), localStorage.getItem('joylap.who')]).toEqual(['Maren', 'Maren']);
    who.set('   ');
    expect(who.name()).toBe('Office');
    localStorage.removeItem('joylap.who');
  });
});

describe('The venue’s clock on a device', () => {
  const reading = (secondsOfDay: number, more: Record<string, unknown> = {}) => ({
    date: '2027-05-22',
    secondsOfDay,
    rate: 1,
    adjustable: true,
    ...more,
  });
  let clock: VenueClock;
  let ms: number;
  beforeEach(() => {
    ms = 1_000_000;
    spyOn(performance, 'now').and.callFake(() => ms);
    serveDay(theDay());
    clock = TestBed.inject(VenueClock);
  });

  it('goes on by the device’s own, from the middle between question and answer', () => {
    clock.take(reading(40_000), 200);
    expect(clock.preciseS()).toBeCloseTo(40_000.1, 6);
    ms += 5000;
    expect(clock.preciseS()).toBeCloseTo(40_005.1, 6);
  });

  it('keeps the quickest answer, and takes a slower one only where the time has really changed', () => {
    clock.take(reading(40_000), 20);
    ms += 1000;
    clock.take(reading(40_001.4), 900);
    expect(clock.preciseS()).toBeCloseTo(40_001.01, 6);
    clock.take(reading(50_000), 900);
    expect(clock.preciseS()).toBeCloseTo(50_000.45, 6);
  });

  it('does not go back to an answer that was overtaken by a later one', () => {
    ms += 3000;
    clock.take(reading(40_003), 100);
    clock.take(reading(30_000), 2500);
    expect(clock.preciseS()).toBeCloseTo(40_003.05, 6);
  });

  it('runs at the demo’s rate, and stands where that is none', () => {
    clock.take(reading(40_000, { rate: 60 }), 0);
    ms += 1000;
    expect(clock.preciseS()).toBeCloseTo(40_060, 6);
    clock.take(reading(40_060, { rate: 0 }), 0);
    ms += 60_000;
    expect([clock.preciseS(), clock.rate()]).toEqual([40_060, 0]);
  });

  it('is in the next day after midnight', () => {
    clock.take(reading(86_399), 0);
    expect([clock.date(), clock.nowS()]).toEqual(['2027-05-22', 86_399]);
    clock.take(reading(86_400 + 61), 0);
    expect([clock.date(), clock.nowS()]).toEqual(['2027-05-23', 61]);
  });

  it('goes on from what was kept, by the time that has gone, until an answer comes', () => {
    spyOn(Date, 'now').and.returnValue(500_000);
    clock.restore(reading(40_000), 440_000);
    expect(clock.preciseS()).toBeCloseTo(40_060, 6);
    clock.restore(reading(10_000), 500_000);
    expect(clock.preciseS()).toBeCloseTo(40_060, 6);
    clock.take(reading(40_061), 500);
    expect(clock.preciseS()).toBeCloseTo(40_061.25, 6);
  });
});

describe('Whose phone it is', () => {
  beforeEach(() => localStorage.removeItem('joylap.counter'));
  afterEach(() => {
    localStorage.removeItem('joylap.counter');
    localStorage.removeItem('joylap.who');
  });

  it('is remembered, and else goes by who works there', () => {
    const data = theDay();
    serveDay(data);
    const choice = TestBed.inject(InstructorChoice);
    expect(choice.me()).toBeUndefined();
    TestBed.inject(Who).set('Ife Okoro');
    expect(choice.me()?.id).toBe('i2');
    choice.choose('i1');
    expect([choice.me()?.id, localStorage.getItem('joylap.counter')]).toEqual(['i1', 'i1']);
    expect(choice.drives().map(({ drive }) => drive.id)).toEqual(['d1']);
    choice.leave();
    expect(choice.me()?.id).toBe('i2');
  });

  it('shows no drive of a guest who does not come', () => {
    const data = theDay();
    serveDay(data);
    const choice = TestBed.inject(InstructorChoice);
    choice.choose('i1');
    data.record({ kind: 'guestNoShow', guest: 'g1' }, '08:09');
    expect(choice.drives()).toEqual([]);
  });
});

describe('A screen that must stay on', () => {
  it('is held, held again when the page comes back, and let go with its component', async () => {
    const released: string[] = [];
    const request = jasmine
      .createSpy()
      .and.callFake(async () => ({ release: async () => released.push(`${request.calls.count()}`) }));
    spyOnProperty(navigator, 'wakeLock').and.returnValue({ request });
    const visible = spyOnProperty(document, 'visibilityState').and.returnValue('visible');
    const component = createEnvironmentInjector([], TestBed.inject(EnvironmentInjector));
    runInInjectionContext(component, keepScreenOn);
    expect(request).toHaveBeenCalledOnceWith('screen');
    visible.and.returnValue('hidden');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(request).toHaveBeenCalledTimes(1);
    visible.and.returnValue('visible');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(request).toHaveBeenCalledTimes(2);
    component.destroy();
    document.dispatchEvent(new Event('visibilitychange'));
    await Promise.resolve();
    await Promise.resolve();
    expect([request.calls.count(), released.length]).toEqual([2, 1]);
  });
});

@Component({ selector: 'jl-asked', changeDetection: ChangeDetectionStrategy.OnPush, template: 'asked' })
class Asked {
  static readonly did: string[] = [];
  constructor() {
    onRequest({ plan: () => Asked.did.push('plan'), late: (who) => Asked.did.push(`late ${who}`) });
  }
}

describe('What a screen is asked to do from elsewhere', () => {
  it('is done once, as it opens or while it is open, and leaves the address', async () => {
    Asked.did.length = 0;
    TestBed.configureTestingModule({ providers: [provideRouter([{ path: 'asked', component: Asked }])] });
    const harness = await RouterTestingHarness.create('/asked#do:plan');
    await harness.fixture.whenStable();
    const router = TestBed.inject(Router);
    expect([Asked.did, router.url]).toEqual([['plan'], '/asked']);
    askFor(router, '/asked', 'late=g7');
    await harness.fixture.whenStable();
    expect([Asked.did, router.url]).toEqual([['plan', 'late g7'], '/asked']);
    await router.navigateByUrl('/asked#elsewhere');
    await router.navigateByUrl('/asked#do:unknown');
    expect(Asked.did.length).toBe(2);
  });
});
