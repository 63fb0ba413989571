import { instructor } from '@core/day';
import { aCar, aDay, anInstructor, aPlan, drive } from '@core/testing/small-day';
import * as z from 'zod';
import { Crew } from './crew';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });

const plan = aPlan({ drives: [drive('10:00')] });

const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);

const settle = () => new Promise((resolve) => setTimeout(resolve));

describe('The crew', () => {
  it('goes on a break and comes back, and has a sheet to print', async () => {
    const data = dayAt('10:00');
    const { press, text, element, http, fixture } = await show(Crew, data);
    http
      .expectOne('/api/instructors')
      .flush({ instructors: [{ id: 'i1', version: 1, fields: z.encode(instructor, anInstructor()) }] });
    await settle();
    await fixture.whenStable();
    await press('Anselm Holt goes to the meal');
    expect(text()).toContain('at meal');
    await press('Anselm Holt is back');
    expect(text()).toContain('free');
    const links = [...element.querySelectorAll('a')].map((link) => link.getAttribute('href'));
    expect(links).toEqual([
      '/api/days/2027-05-22/sheets/day.pdf',
      '/api/days/2027-05-22/sheets/desk.pdf',
      '/api/instructors.csv',
      '/api/days/2027-05-22/sheets/instructors/i1.pdf',
    ]);
  });

  it('stays on screen while it is read again, as when somebody accepts a plan', async () => {
    const data = dayAt('10:00');
    const { text, http, fixture } = await show(Crew, data);
    const fields = z.encode(instructor, anInstructor());
    http.expectOne('/api/instructors').flush({ instructors: [{ id: 'i1', version: 1, fields }] });
    await settle();
    await fixture.whenStable();
    data.planned(plan, 2);
    await settle();
    expect(text()).toContain('Anselm Holt');
    http
      .expectOne('/api/instructors')
      .flush({ instructors: [{ id: 'i1', version: 2, fields: { ...fields, name: 'A. Holt' } }] });
    await settle();
    await fixture.whenStable();
    expect(text()).toContain('A. Holt');
  });
});
