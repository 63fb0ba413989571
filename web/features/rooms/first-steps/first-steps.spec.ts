import { aDay, aPlan } from '@core/testing/small-day';
import { A_VENUE } from '../../../testing/a-venue';
import { FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { FirstSteps } from './first-steps';

async function shown(step: string) {
  const data = new FakeDay(aDay({ instructors: [] }), aPlan({}), '09:00');
  const it = await show(FirstSteps, data);
  /** The server tells of the venue, as it was or changed. */
  const read = async (change: Partial<typeof A_VENUE> = {}) => {
    await settle();
    for (const one of it.http.match('/api/cars')) one.flush({ cars: [] });
    for (const one of it.http.match({ method: 'GET', url: '/api/venue' })) {
      one.flush({ version: 4, fields: { ...A_VENUE, ...change } });
    }
    await settle();
  };
  /** What is sent to be kept of the venue. */
  const sent = () => it.http.expectOne({ method: 'PUT', url: '/api/venue' }).request.body as { fields: typeof A_VENUE };
  /** Somebody at another desk has changed something of the day. */
  const elsewhere = () => data.view.update((view) => ({ ...view }));
  await read();
  const heading = [...it.element.querySelectorAll<HTMLButtonElement>('h2 button')];
  const open = heading.find((button) => button.textContent?.includes(step))!;
  if (open.ariaExpanded !== 'true') open.click();
  await settle();
  const field = (selector: string) => it.element.querySelector<HTMLInputElement>(selector)!;
  const type = async (selector: string, value: string) => {
    field(selector).value = value;
    field(selector).dispatchEvent(new Event('input'));
    await settle();
  };
  return { ...it, data, read, sent, elsewhere, field, type };
}

describe('The first steps', () => {
  it('keep what is typed while the day changes elsewhere', async () => {
    const { type, field, elsewhere, read } = await shown('Crew');
    await type('input[name=name]', 'Gwen As');
    elsewhere();
    await settle();
    expect(field('input[name=name]').value).toBe('Gwen As');
    await read();
    expect(field('input[name=name]').value).toBe('Gwen As');
  });

  it('keep a form of the venue that is being typed in, unless the venue itself has changed', async () => {
    const { type, field, elsewhere, read } = await shown('Venue');
    await type('#field-name', 'Quarry Fi');
    elsewhere();
    await read();
    expect(field('#field-name').value).toBe('Quarry Fi');
    elsewhere();
    await read({ name: 'Larkmere Station' });
    expect(field('#field-name').value).toBe('Larkmere Station');
  });

  it('add one person after the other, also where the next name is typed before the first is stored', async () => {
    const { type, field, http, press } = await shown('Crew');
    await type('input[name=name]', 'Gwen Aske');
    await press('Add this person');
    const sent = http.expectOne({ method: 'POST', url: '/api/instructors' });
    expect((sent.request.body as { name: string }).name).toBe('Gwen Aske');
    await type('input[name=name]', 'Hal');
    sent.flush({ id: 'i1', version: 1, fields: sent.request.body as object });
    await settle();
    expect(field('input[name=name]').value).toBe('Hal');
  });

  const choose = (element: HTMLElement, words: string) =>
    [...element.querySelectorAll('label')].find((label) => label.textContent?.includes(words))!.click();

  it('take how long a class is and the vehicles that show the circuit, as people write them', async () => {
    const { type, element, press, sent, text } = await shown('How guests');
    choose(element, 'in a vehicle');
    await settle();
    await press('Add a vehicle');
    await type('input[name=takes]', '1 h 10');
    await press('Save class and circuit');
    expect(text()).toContain('name');
    await type('[aria-label="Vehicle 1"] input', 'Brown van');
    await type('[aria-label="Vehicle 1"] input[size]', '9:00–12:30');
    await press('Save class and circuit');
    const { fields } = sent();
    expect(fields.rules.briefing.durationS).toBe(70 * 60);
    expect(fields.sightingVehicles).toEqual([
      jasmine.objectContaining({ name: 'Brown van', seats: 4, available: [{ from: '09:00', to: '12:30' }] }),
    ] as never);
  });

  it('ask for nothing of a vehicle that was begun where the circuit is shown in another way', async () => {
    const { element, press, sent } = await shown('How guests');
    choose(element, 'in a vehicle');
    await settle();
    await press('Add a vehicle');
    choose(element, 'on foot');
    await settle();
    await press('Save class and circuit');
    const { fields } = sent();
    expect(fields).toEqual(
      jasmine.objectContaining({ introduction: { class: true, circuit: 'walk' }, sightingVehicles: [] }),
    );
  });
});
