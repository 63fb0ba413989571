import type { HttpTestingController } from '@angular/common/http/testing';
import { aDay, aPlan } from '@core/testing/small-day';
import { SameGuest } from './same-guest';
import { FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';

describe('The same person on another day', () => {
  const guest = (id: string, name: string) => ({
    id,
    name,
    reference: `R-${id}`,
    date: '2027-05-01',
    email: `${id}@example.org`,
  });
  const typed = async (query: string) => {
    const input = document.querySelector<HTMLInputElement>('#same-guest')!;
    input.value = query;
    input.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, 250));
  };

  /** The request that follows once typing has rested. */
  const asked = async (http: HttpTestingController) => {
    for (;;) {
      const [found] = http.match('/api/guests/find');
      if (found) return found;
      await settle();
    }
  };

  it('is found by a few letters once typing rests, and is never the guest asked about', async () => {
    const shown = await show(SameGuest, new FakeDay(aDay(), aPlan(), '09:00'), {
      open: true,
      guest: 'g1',
      name: 'Ines',
    });
    const chosen: string[] = [];
    shown.fixture.componentInstance.chosen.subscribe((id) => chosen.push(id));
    await typed('i');
    shown.http.expectNone('/api/guests/find');
    await typed('ine');
    const request = await asked(shown.http);
    expect(request.request.body).toEqual({ query: 'ine' });
    request.flush({ guests: [guest('g1', 'Ines Faro'), guest('g7', 'Ines Faro')] });
    await settle();
    const found = [...document.querySelectorAll('[aria-label=Found] li')].map((li) => li.textContent.trim());
    expect(found.length).toBe(1);
    expect(found[0]).toContain('R-g7');
    document.querySelector<HTMLElement>('[aria-label^="The same person as Ines Faro"]')!.click();
    expect(chosen).toEqual(['g7']);
  });
});
