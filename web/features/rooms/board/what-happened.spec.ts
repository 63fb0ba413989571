import { at } from '@core/testing/small-day';
import { WhatHappened } from './what-happened';
import { show } from '../../../testing/fake-day';
import { settle, theDay } from '../../../testing/two-drives';

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
