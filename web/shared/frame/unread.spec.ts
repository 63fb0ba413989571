import type { Type } from '@angular/core';
import { Board } from '../../features/rooms/board/board';
import { PlansPanel } from '../../features/rooms/board/plans-panel';
import { Cars } from '../../features/rooms/cars/cars';
import { Close } from '../../features/rooms/close/close';
import { Crew } from '../../features/rooms/crew/crew';
import { Vocabulary } from '../../features/rooms/crew/vocabulary';
import { GuestBefore } from '../../features/rooms/guest-card/guest-before';
import { HandoverScreen } from '../../features/phone/handover/handover';
import { RulesScreen } from '../../features/rooms/rules/rules';
import { show } from '../../testing/fake-day';
import { theDay } from '../../testing/two-drives';

const DAY = '/api/days/2027-05-22';

const READ: readonly [what: string, screen: Type<unknown>, url: string, inputs?: Record<string, unknown>][] = [
  ['The cars', Cars, '/api/cars'],
  ['The crew', Crew, '/api/instructors'],
  ['The rules', RulesScreen, '/api/venue'],
  ['The plans', PlansPanel, `${DAY}/plans`],
  ['The figures', Close, `${DAY}/close`],
  ['The venue’s own faults', Vocabulary, '/api/faults'],
  ['Earlier days', GuestBefore, `${DAY}/guests/g1/before`, { guest: 'g1', name: 'Ines Faro' }],
];

describe('Without a server', () => {
  for (const [what, screen, url, inputs] of READ) {
    it(`a screen says that ${what.toLowerCase()} could not be read, and reads again on request`, async () => {
      const shown = await show(screen, theDay(), inputs);
      shown.http.expectOne(url).error(new ProgressEvent('error'));
      await shown.follow();
      expect(shown.text()).toContain(`${what} could not be read: The server does not answer.`);
      expect(shown.text()).not.toContain('Add the first one');
      shown.element.querySelector<HTMLButtonElement>('jl-unread button')!.click();
      await shown.follow();
      expect(shown.http.expectOne(url).request.method).toBe('GET');
    });
  }

  it('an instructor still reads whom to expect', async () => {
    localStorage.setItem('joylap.counter', 'i1');
    const shown = await show(HandoverScreen, theDay());
    shown.http.expectOne(`${DAY}/guests/g1/before`).error(new ProgressEvent('error'));
    await shown.follow();
    expect(shown.text()).toContain('Ines Faro');
    expect(shown.text()).toContain('Dunnock Cup');
    localStorage.removeItem('joylap.counter');
  });

  it('the board still shows the plan', async () => {
    const shown = await show(Board, theDay());
    for (const request of shown.http.match(() => true)) request.error(new ProgressEvent('error'));
    await shown.follow();
    expect(shown.element.querySelectorAll('.drive').length).toBe(2);
  });
});
