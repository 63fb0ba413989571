import { TestBed } from '@angular/core/testing';
import { planFile } from '@core/day';
import { at } from '@core/testing/small-day';
import * as z from 'zod';
import { WhatHappened } from '../board/what-happened';
import { WhatMatters } from '../board/what-matters';
import { OneMoreDrive } from '../guest-card/one-more-drive';
import { show } from './fake-day';
import { day, plan, settle, theDay } from './two-drives';

describe('What happened', () => {
  it('is entered with two or three clicks, and a repair is looked for', async () => {
    const data = theDay();
    const { http, fixture } = await show(WhatHappened, data, { open: true });
    await fixture.whenStable();
    const press = async (name: RegExp) => {
      const button = [...document.querySelectorAll<HTMLElement>('[role=dialog] button')].find((it) =>
        name.test(it.textContent ?? ''),
      );
      button!.click();
      await settle();
      await fixture.whenStable();
    };
    await press(/Running late/);
    await press(/10 min/);
    expect(data.written().map(({ entry }) => entry)).toEqual([
      jasmine.objectContaining({ kind: 'runningLate', minutes: 10 }),
    ]);
    const { body } = http.expectOne({ method: 'POST', url: '/api/days/2027-05-22/planning' }).request;
    expect([body.mode, body.reason, body.seconds]).toEqual(['repair', 'Running 10 min late', 3]);
  });

  it('is entered for a time of one’s own, in minutes and words of one’s own', async () => {
    const data = theDay();
    const { fixture, http } = await show(WhatHappened, data, { open: true });
    await fixture.whenStable();
    const dialog = fixture.componentInstance as unknown as Record<
      'from' | 'until' | 'subject' | 'ownName' | 'ownMinutes' | 'ownFactor',
      { set: (value: unknown) => void }
    > & { choose: (event: string) => void; enter: () => void };
    const enter = async (event: string, fields: Partial<Record<keyof typeof dialog, unknown>>) => {
      dialog.choose(event);
      for (const [key, value] of Object.entries(fields)) dialog[key as 'from'].set(value);
      dialog.enter();
      await settle();
      http.match(() => true);
    };
    await enter('instructor', { subject: 'i1', from: '13:00', until: '14:30' });
    await enter('condition', { ownName: 'drizzle', ownFactor: 1.05, from: '13:00' });
    await enter('late', { subject: 'g1', until: '11:40' });
    await enter('closed', { ownMinutes: 25, from: '15:00' });
    expect(data.written().map(({ entry }) => entry)).toEqual([
      jasmine.objectContaining({ kind: 'crewAway', instructor: 'i1', from: at('13:00'), to: at('14:30') }),
      jasmine.objectContaining({ kind: 'conditionChanged', name: 'drizzle', paceFactor: 1.05, from: at('13:00') }),
      jasmine.objectContaining({ kind: 'guestLate', guest: 'g1', expected: at('11:40') }),
      jasmine.objectContaining({ kind: 'circuitClosed', from: at('15:00'), to: at('15:25') }),
    ]);
    await enter('closed', { ownMinutes: 25, from: 'soon' });
    await enter('instructor', { subject: 'i2', from: '14:00', until: '13:00' });
    await enter('condition', { ownName: 'sleet' });
    expect(data.refused).toEqual([
      '"soon" is no time of day; write 12:15, say, or leave it empty.',
      '13:00 is not after 14:00.',
      'Give the condition a name, and say how much longer a lap takes (1 is dry).',
    ]);
  });
});

describe('What matters', () => {
  it('is saved as weights, and a weight that nobody touches stays exact', async () => {
    const { http, fixture } = await show(WhatMatters, theDay(), { open: true });
    await settle();
    const rules = { ...day.rules, weights: { passes: 2.1 } };
    const fields = {
      name: 'Test field',
      timeZone: 'Atlantic/Faroe',
      currency: 'EUR',
      opens: '08:30',
      closes: '18:00',
      condition: { name: 'dry', paceFactor: 1 },
      circuit: { name: 'Loop', lapLengthM: 2000, closures: [] },
      rules,
      paces: { first: 1.25, before: 1.12, quick: 1 },
      sightingVehicles: [],
    };
    http.expectOne('/api/venue').flush({ version: 3, fields });
    await settle();
    await fixture.whenStable();
    const handle = document.querySelector<HTMLElement>('[role=slider][aria-labelledby="wish-waiting"]')!;
    handle.dispatchEvent(new KeyboardEvent('keydown', { code: 'ArrowRight', key: 'ArrowRight', bubbles: true }));
    await fixture.whenStable();
    const save = [...document.querySelectorAll<HTMLElement>('[role=dialog] button')].find(
      (it) => it.textContent === 'Save',
    );
    save!.click();
    const { body } = http.expectOne('/api/venue').request;
    expect(body.fields.rules.weights).toEqual({ passes: 2.1, waiting: 2 });
  });
});

describe('One more drive', () => {
  it('shows where it fits, for how much and who moves, and takes the place chosen', async () => {
    const { http, fixture } = await show(OneMoreDrive, theDay(), { open: true, guest: 'g1' });
    const dialog = fixture.componentInstance as unknown as { wish: (of: object) => void; find: () => void };
    dialog.wish({ cars: ['c2'], laps: 3 });
    dialog.find();
    const place = {
      planned: { drive: 'x', car: 'c2', instructor: 'i2', release: '11:00' },
      car: 'Sabrel R',
      instructor: 'Ife Okoro',
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
      better: { ...place, seat: '10:31', moved: ['Piet Verhoeve from 10:10 to 10:14'] },
      refusal: null,
    });
    await settle();
    await fixture.whenStable();
    const words = document.querySelector('[role=dialog]')!.textContent.replace(/\s+/g, ' ');
    expect(words).toContain('10:56 Sabrel R, with Ife Okoro costs others 4 min of waiting, nobody moves');
    expect(words).toContain('if others move: Piet Verhoeve from 10:10 to 10:14');
    document.querySelector<HTMLElement>('[aria-label^="Take 10:56"]')!.click();
    const { body } = http.expectOne('/api/days/2027-05-22/places/take').request;
    expect([body.guest, body.drive, body.laps, body.price]).toEqual(['g1', 'x', 3, undefined]);
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
