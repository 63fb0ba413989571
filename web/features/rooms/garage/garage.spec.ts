import { TestBed } from '@angular/core/testing';
import { carFields } from '@core/venue/fleet';
import * as z from 'zod';
import { StallPlan } from './stall-plan';
import type { CarView } from './car-view';
import { CircuitService } from '../../../shared/data/circuit.service';
import { FaultForm } from './fault-form';
import { Garage } from './garage';
import { WalkRound } from './walk-round';
import { Ask } from '../../../shared/frame/ask';
import { show, type FakeDay } from '../../../testing/fake-day';
import { day as twoCars, theDay } from '../../../testing/two-drives';

const view = (id: string, stall: number, more: Partial<CarView> = {}): CarView =>
  ({
    id,
    stall,
    lock: 'left',
    fields: { number: stall, name: `Car ${id}` },
    state: { status: 'ready' },
    openFaults: [],
    leftFaults: [],
    ...more,
  }) as unknown as CarView;

describe('The plan of stalls', () => {
  const shown = (views: CarView[], counting?: ReadonlySet<string>) => {
    const fixture = TestBed.createComponent(StallPlan);
    fixture.componentRef.setInput('views', views);
    fixture.componentRef.setInput('counting', counting);
    fixture.detectChanges();
    return fixture;
  };
  const labels = (element: HTMLElement) =>
    [...element.querySelectorAll('button')].map((it) => it.getAttribute('aria-label'));

  it('shows which car stands in which, with its wheels, and the stalls that are empty', () => {
    const { nativeElement } = shown([view('a', 1), view('b', 4, { lock: 'right' })]);
    expect(labels(nativeElement)).toEqual([
      'Stall 1: car 1 Car a, ready, wheels to the left',
      'Stall 2: empty',
      'Stall 3: empty',
      'Stall 4: car 4 Car b, ready, wheels to the right',
    ]);
  });

  it('says why a car cannot go out', () => {
    const held = view('a', 1, { state: { status: 'held', backAtS: 12 * 3600 } as never });
    const cooling = view('b', 2, { coolingS: 130 });
    expect(labels(shown([held, cooling]).nativeElement)).toEqual([
      'Stall 1: car 1 Car a, out of service until 12:00, wheels to the left',
      'Stall 2: car 2 Car b, cooling, 3 min, wheels to the left',
    ]);
  });

  it('ticks the cars that were found while somebody counts', () => {
    const fixture = shown([view('a', 1), view('b', 2)], new Set(['b']));
    const picked: string[] = [];
    fixture.componentInstance.picked.subscribe((id) => picked.push(id));
    const [first, second] = [...fixture.nativeElement.querySelectorAll('button')] as HTMLButtonElement[];
    expect([first!.getAttribute('aria-pressed'), second!.getAttribute('aria-pressed')]).toEqual(['false', 'true']);
    first!.click();
    expect(picked).toEqual(['a']);
  });
});

describe('The garage', () => {
  /** @param stalls where the cars usually stand, in their order */
  async function garage(data: FakeDay, stalls: readonly (number | undefined)[] = [1, 2]) {
    const shown = await show(Garage, data);
    const cars = twoCars.cars.map((car, place) => ({
      id: car.id,
      version: 1,
      fields: z.encode(carFields, { ...car, number: place + 1, stall: stalls[place] }),
    }));
    shown.http.expectOne('/api/days/2027-05-22/garage').flush({ days: [], crew: [] });
    shown.http.expectOne('/api/circuit').flush({ version: 0, circuit: null });
    shown.http.expectOne('/api/cars').flush({ cars });
    const service = TestBed.inject(CircuitService);
    // Customs of the venue are not what this is about.
    shown.http.expectOne('/api/venue').error(new ProgressEvent('error'));
    service.cars.set(cars.map(({ id, version, fields }) => ({ id, version, fields: z.decode(carFields, fields) })));
    await shown.follow();
    const press = async (name: string | RegExp) => {
      await shown.press(name);
      await shown.follow();
    };
    return { ...shown, press };
  }
  const last = (data: FakeDay) => data.written().at(-1)!.entry;

  it('reads a gauge in one tap, with what it may be off by', async () => {
    const data = theDay();
    const { press } = await garage(data);
    await press('½');
    const capacity = twoCars.cars[0]!.fuel.capacityL;
    expect(last(data)).toEqual(jasmine.objectContaining({ kind: 'fuelRead', car: 'c1', litres: capacity / 2 }));
    await press('read');
    expect(data.refused).toEqual(['How many litres? Type them first.']);
  });

  it('counts the cars against the sheet, and names who is missing', async () => {
    const data = theDay();
    const { press, text } = await garage(data);
    expect(text()).toContain('Cars are not counted yet today');
    await press('Count cars');
    await press(/^Stall 2: car 2/);
    expect(text()).toContain('1 of 2 found');
    await press('That is all');
    expect(last(data)).toEqual(jasmine.objectContaining({ kind: 'carsCounted', cars: ['c2'] }));
    expect(text()).toContain('1 of 2 counted at 08:10 by Test, missing: 1 Dunnock Cup');
  });

  it('moves a car to another stall by its number, and to nothing else', async () => {
    const data = theDay();
    const { press, follow } = await garage(data);
    await press(/^Stall 2: car 2/);
    const ask = TestBed.inject(Ask);
    for (const answer of ['by the window', '7']) {
      await press('stall 2');
      ask.answer(answer);
      await follow();
    }
    expect(data.refused).toEqual(['"by the window" is no stall; type its number.']);
    expect(last(data)).toEqual(jasmine.objectContaining({ kind: 'carStalled', car: 'c2', stall: 7 }));
    await press(/^Stall 7: car 2/);
  });

  it('does not make up a stall for a car whose wheels are turned', async () => {
    const data = theDay();
    const { press } = await garage(data, [undefined, 2]);
    await press('wheels to the left');
    expect(data.refused).toEqual(['Say first in which stall it stands.']);
    await press(/^Stall 2: car 2/);
    await press('wheels to the left');
    expect(last(data)).toEqual(jasmine.objectContaining({ car: 'c2', stall: 2, lock: 'right' }));
  });
});

describe('A fault on a car', () => {
  async function form(data = theDay()) {
    const shown = await show(FaultForm, data, { open: true, car: 'c1', name: 'Dunnock Cup' });
    const tap = async (name: string) => {
      const buttons = [...document.querySelectorAll<HTMLButtonElement>('.p-dialog .choices button')];
      buttons.find((button) => button.textContent.trim().startsWith(name))!.click();
      await shown.follow();
    };
    return { ...shown, data, tap };
  }

  it('is reported in three taps, and the car runs on', async () => {
    const { data, tap, fixture } = await form();
    await tap('wheels and tyres');
    await tap('flat spot');
    await tap('Keep an eye on it');
    const found = { kind: 'faultFound', car: 'c1', where: 'wheels and tyres', what: 'flat spot', severity: 'watch' };
    expect(data.written().map(({ entry }) => entry)).toEqual([jasmine.objectContaining(found)]);
    expect(fixture.componentInstance.open()).toBeFalse();
  });

  it('holds the car where it must stand, and a repair of the plan is looked for', async () => {
    const { data, tap, http } = await form();
    await tap('brakes');
    await tap('pedal long');
    await tap('The car stands');
    expect(data.kinds()).toEqual(['faultFound', 'carHeld']);
    const { body } = http.expectOne({ method: 'POST', url: '/api/days/2027-05-22/planning' }).request;
    expect([body.mode, body.reason]).toEqual(['repair', 'Dunnock Cup held: brakes: pedal long']);
  });

  it('holds a car that is held already only once', async () => {
    const data = theDay();
    data.record({ kind: 'carHeld', car: 'c1', reason: 'tyre cut' });
    const { tap, http } = await form(data);
    await tap('front');
    await tap('light out');
    await tap('The car stands');
    expect(data.kinds()).toEqual(['carHeld', 'faultFound']);
    http.expectNone({ method: 'POST', url: '/api/days/2027-05-22/planning' });
  });
});

describe('The way round a car', () => {
  it('keeps what was looked at, and begins with nothing the next time', async () => {
    const data = theDay();
    const inputs = { when: 'start', car: 'c1', name: 'Dunnock Cup', items: ['Tyres', 'Lights', 'Belts'] };
    const { fixture, follow } = await show(WalkRound, data, inputs);
    const buttons = () => [...document.querySelectorAll<HTMLButtonElement>('.p-dialog button')];
    const tap = async (name: RegExp) => {
      buttons()
        .find((button) => name.test(button.textContent.trim()))!
        .click();
      await follow();
    };
    const enter = () => buttons().find(({ textContent }) => /looked at$/.test(textContent.trim()))!;
    expect(enter().disabled).toBeTrue();
    await tap(/Tyres$/);
    await tap(/Belts$/);
    await tap(/Tyres$/);
    expect(enter().textContent).toContain('1 of 3 looked at');
    await tap(/looked at$/);
    expect(data.written().at(-1)!.entry).toEqual(
      jasmine.objectContaining({ kind: 'walkRoundDone', car: 'c1', when: 'start', items: ['Belts'] }),
    );
    expect(fixture.componentInstance.when()).toBeUndefined();
    fixture.componentRef.setInput('when', 'end');
    await follow();
    expect(enter().textContent).toContain('0 of 3 looked at');
  });
});
