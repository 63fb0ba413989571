import { TestBed } from '@angular/core/testing';
import { planFile } from '@core/day';
import * as z from 'zod';
import { OneMoreDrive } from './one-more-drive';
import { show } from '../../../testing/fake-day';
import { day, plan, settle, theDay } from '../../../testing/two-drives';

describe('One more drive', () => {
  it('shows where it fits, for how much and who moves, and takes the place chosen', async () => {
    const { http, fixture } = await show(OneMoreDrive, theDay(), { open: true, guest: 'g1' });
    const dialog = fixture.componentInstance as unknown as { wish: (of: object) => void; find: () => void };
    dialog.wish({ cars: ['c2'], laps: 3 });
    dialog.find();
    const place = {
      planned: { drive: 'x', car: 'c2', instructor: 'i2', release: '11:00' },
      seat: '10:56',
      costs: 4.2,
      price: 96,
      moved: [],
      plan: z.encode(planFile, plan),
    };
    http.expectOne('/api/days/2027-05-22/places').flush({
      asOf: '08:12',
      base: 1,
      drive: 'x',
      slots: [place],
      better: { ...place, seat: '10:31', moved: [{ drive: 'd2', guest: 'g2', from: '10:10', to: '10:14' }] },
    });
    await settle();
    await fixture.whenStable();
    const words = document.querySelector('[role=dialog]')!.textContent.replace(/\s+/g, ' ');
    expect(words).toContain('10:56 2 Sabrel R, with Ife Okoro costs others 4 min of waiting, nobody moves');
    expect(words).toContain('if others move: Piet Verhoeve from 10:10 to 10:14');
    document.querySelector<HTMLElement>('[aria-label^="Take 10:56"]')!.click();
    const { body } = http.expectOne('/api/days/2027-05-22/places/take').request;
    expect([body.guest, body.drive, body.laps, body.price]).toEqual(['g1', 'x', 3, undefined]);
    TestBed.resetTestingModule();
  });

  it('is a ride at the desk: asked for at once in every car that gives one, and with its seats', async () => {
    const cars = day.cars.map((car) => (car.id === 'c2' ? { ...car, ride: { lapTimeS: 70, seats: 2 } } : car));
    const { http, fixture } = await show(OneMoreDrive, theDay({ ...day, cars }), {
      open: true,
      guest: 'g1',
      ride: true,
    });
    const first = http.expectOne('/api/days/2027-05-22/places');
    expect(first.request.body).toEqual({
      guest: 'g1',
      cars: ['c2'],
      laps: 2,
      ride: { seats: 1 },
      makesUpFor: undefined,
    });
    first.flush({ asOf: '08:12', base: 1, drive: 'x', slots: [], better: null });
    const dialog = fixture.componentInstance as unknown as { wish: (of: object) => void; find: () => void };
    dialog.wish({ seats: 2 });
    dialog.find();
    expect(http.expectOne('/api/days/2027-05-22/places').request.body.ride).toEqual({ seats: 2 });
    await fixture.whenStable();
    expect(document.querySelector('[role=dialog]')!.textContent).toContain('A ride beside an instructor');
    TestBed.resetTestingModule();
  });

  it('takes laps owed to where they fit, without charge', async () => {
    const owed = { drive: 'd1', laps: 2, cars: ['c1'] };
    const { http, fixture } = await show(OneMoreDrive, theDay(), { open: true, guest: 'g1', owed });
    const dialog = fixture.componentInstance as unknown as { find: () => void };
    dialog.find();
    const { request } = http.expectOne('/api/days/2027-05-22/places');
    expect(request.body).toEqual({ guest: 'g1', cars: ['c1'], laps: 2, makesUpFor: 'd1' });
    TestBed.resetTestingModule();
  });
});
