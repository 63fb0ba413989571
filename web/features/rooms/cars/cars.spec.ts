import { TestBed } from '@angular/core/testing';
import { carFields } from '@core/venue/fleet';
import { aCar, aDay, aPlan, drive } from '@core/testing/small-day';
import * as z from 'zod';
import { Cars } from './cars';
import { Ask } from '../../../shared/frame/ask';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';
import { running } from '../../../testing/two-guests';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });

const plan = aPlan({ drives: [drive('10:00')] });

const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);

const settle = () => new Promise((resolve) => setTimeout(resolve));

describe('The cars', () => {
  async function cars(data: FakeDay) {
    const shown = await show(Cars, data);
    const list = day.cars.map((car, place) => ({
      id: car.id,
      version: 3,
      fields: { ...z.encode(carFields, { ...car, number: place + 1 }) },
    }));
    shown.http.expectOne('/api/cars').flush({ cars: list });
    await settle();
    await shown.fixture.whenStable();
    return shown;
  }

  it('are held with a reason, and ready again', async () => {
    const data = dayAt('10:00');
    const { press, text, fixture } = await cars(data);
    await press('Out of service: Sabrel R');
    TestBed.inject(Ask).answer('  tyre cut ');
    await settle();
    await fixture.whenStable();
    expect(text()).toContain('out of service: tyre cut');
    await press('Ready again');
    expect(data.kinds()).toEqual(['carHeld', 'carReady']);
  });

  it('that are still out say so, and that they are held when they are in', async () => {
    const data = running('10:21');
    data.record({ kind: 'carHeld', car: 'c2', reason: 'warning light' });
    const { text } = await cars(data);
    expect(text()).toContain('on the circuit, then out of service: warning light');
  });

  it('are not held where the person thinks better of it', async () => {
    const data = dayAt('10:00');
    const { press } = await cars(data);
    await press('Out of service: Sabrel R');
    TestBed.inject(Ask).answer('   ');
    await settle();
    expect(data.kinds()).toEqual([]);
  });

  it('are refuelled one at a time where there is one bay', async () => {
    const data = dayAt('10:00');
    const { press } = await cars(data);
    await press('Refuel Sabrel R');
    await press('Refuel Dunnock Cup');
    expect(data.refused).toEqual(['The refuel bay is taken.']);
    await press('Refuelled');
    TestBed.inject(Ask).answer('full');
    await settle();
    expect(data.kinds()).toEqual(['refuelBegan', 'refuelEnded']);
  });

  it('are edited at the version they were read with', async () => {
    const { press, http, fixture } = await cars(dayAt('10:00'));
    await press('Edit car 2');
    await fixture.whenStable();
    const name = document.querySelector<HTMLInputElement>('#field-name')!;
    name.value = 'Sabrel R 2';
    name.dispatchEvent(new Event('input'));
    document.querySelector('form')!.dispatchEvent(new Event('submit'));
    const { body, method } = http.expectOne('/api/cars/c2').request;
    expect([method, body.version, body.fields.name, body.fields.available]).toEqual([
      'PUT',
      3,
      'Sabrel R 2',
      [{ from: '08:00', to: '18:00' }],
    ]);
  });
});
