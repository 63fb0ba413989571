import { instructorFields, rosterEntry } from '@core/people/crew/at-start';
import { type InstructorFields, type RosterEntry, plannedInstructor, withSkills } from '@core/people/crew';
import { languageName } from '@words/languages';
import { anInstructor, at } from '@core/testing/small-day';
import * as z from 'zod';
import { Roster } from './roster';
import { RosterGrid, type RosterPlace } from './roster-grid';
import { show, type Shown } from '../../../testing/fake-day';
import { dayAt } from '../../../testing/two-guests';

const available = [{ from: at('08:30'), to: at('17:30') }];

const CREW: InstructorFields[] = [
  anInstructor({ available }),
  anInstructor({ id: 'i2', name: 'Ife Okoro', brief: false, available }),
];

const AWAY: RosterEntry = { id: 'r1', instructor: 'i1', kind: 'absence', from: '2027-05-24', to: '2027-05-25' };

const SHORT: RosterEntry = {
  id: 'r2',
  instructor: 'i2',
  kind: 'shift',
  from: '2027-05-23',
  to: '2027-05-23',
  hours: { from: at('10:00'), to: at('12:00') },
};

async function roster(): Promise<Shown<Roster>> {
  const shown = await show(Roster, dayAt('10:00'));
  const instructors = CREW.map((fields) => ({ id: fields.id, version: 3, fields: z.encode(instructorFields, fields) }));
  for (const request of shown.http.match('/api/instructors')) request.flush({ instructors });
  for (const request of shown.http.match('/api/roster/2027-05-22')) {
    request.flush({ entries: [AWAY, SHORT].map((entry) => ({ version: 2, fields: z.encode(rosterEntry, entry) })) });
  }
  await shown.follow();
  return shown;
}

describe('The roster on screen', () => {
  it('shows who is there when, and goes from day to day by arrow keys', async () => {
    const chosen: RosterPlace[] = [];
    const shown = await show(RosterGrid, dayAt('10:00'), { from: '2027-05-22', crew: CREW, entries: [AWAY, SHORT] });
    shown.fixture.componentInstance.chosen.subscribe((place) => chosen.push(place));
    const named = (name: string) => shown.element.querySelector<HTMLElement>(`[aria-label="${name}"]`)!;
    const first = named('Anselm Holt, 2027-05-22: 08:30–17:30');
    expect(first.tabIndex).toBe(0);
    first.focus();
    await shown.key(first, 'ArrowDown');
    expect(document.activeElement).toBe(named('Ife Okoro, 2027-05-22: 08:30–17:30'));
    await shown.key(document.activeElement!, 'ArrowRight');
    expect(document.activeElement).toBe(named('Ife Okoro, 2027-05-23: 10:00–12:00'));
    (document.activeElement as HTMLElement).click();
    named('Anselm Holt, 2027-05-24: away').click();
    expect(chosen.map(({ date, entry }) => [date, entry?.id])).toEqual([
      ['2027-05-23', 'r2'],
      ['2027-05-24', 'r1'],
    ]);
  });

  it('says who speaks what, and gives a language to everybody at once', async () => {
    const shown = await roster();
    const languages = () => shown.element.querySelector('[aria-label="Languages"]')!;
    expect(languages().textContent).toContain('English');
    const instructors = CREW.map((fields) => ({
      id: fields.id,
      version: 3,
      fields: z.encode(instructorFields, fields),
    }));
    const list = () => shown.http.expectOne('/api/instructors').flush({ instructors });
    const sent = (id: string) => shown.http.expectOne({ method: 'PUT', url: `/api/instructors/${id}` });
    const code = CREW[0]!.languages[0]!;
    const name = languageName(code);
    // Both speak it and nothing else: nobody is left without a language.
    await shown.press(`Everybody speaks ${name}`);
    list();
    await shown.follow();
    shown.http.expectNone({ method: 'PUT', url: '/api/instructors/i1' });
    shown.element.querySelector<HTMLElement>('[aria-label="Languages"] .p-select-dropdown')!.click();
    await shown.follow();
    [...document.querySelectorAll<HTMLElement>('li[role="option"]')]
      .find((one) => one.textContent.trim() === 'Danish')!
      .click();
    await shown.follow();
    for (const request of shown.http.match('/api/instructors')) request.flush({ instructors });
    for (const request of shown.http.match('/api/roster/2027-05-22')) request.flush({ entries: [] });
    await shown.follow();
    await shown.press('Everybody speaks Danish');
    list();
    await shown.follow();
    for (const id of ['i1', 'i2']) {
      const put = sent(id);
      expect(put.request.body.fields.languages).toEqual([code, 'da']);
      put.flush({ id, version: 4, fields: instructors.find((one) => one.id === id)!.fields });
      await shown.follow();
    }
  });

  it('says two weeks ahead what hangs on one person, and why', async () => {
    const { text } = await roster();
    expect(text()).toContain('Mon 24 May to Tue 25 May, both days: nobody may give the class: Anselm Holt away.');
    expect(text()).toContain('only Ife Okoro may teach in the Dunnock Cup: Anselm Holt away.');
  });

  it('shows what somebody else has saved meanwhile, and saves over it only when told to', async () => {
    const shown = await roster();
    const url = '/api/roster/entries/r1';
    shown.element.querySelector<HTMLElement>('[aria-label="Anselm Holt, 2027-05-24: away"]')!.click();
    await shown.follow();
    const to = document.querySelector<HTMLInputElement>('#field-to')!;
    to.value = '2027-05-28';
    to.dispatchEvent(new Event('input'));
    document.querySelector<HTMLFormElement>('jl-record-form form')!.dispatchEvent(new Event('submit'));
    await shown.follow();
    const first = shown.http.expectOne({ method: 'PUT', url });
    expect(first.request.body).toEqual({ version: 2, fields: { ...AWAY, to: '2027-05-28' } });
    const current = { version: 3, fields: { ...AWAY, to: '2027-05-26' } };
    const problem = {
      type: 'about:blank',
      title: 'Conflict',
      status: 409,
      detail: 'Somebody else was first.',
      current,
    };
    first.flush(problem, { status: 409, statusText: 'Conflict' });
    await shown.follow();
    const told = document.querySelector<HTMLElement>('jl-record-form .conflict')!;
    expect(told.textContent).toContain('Somebody else was first.');
    expect(told.textContent).toContain('2027-05-26');
    [...told.querySelectorAll('button')].at(-1)!.click();
    await shown.follow();
    const { version, fields } = shown.http.expectOne({ method: 'PUT', url }).request.body;
    expect([version, fields.to]).toEqual([3, '2027-05-28']);
  });

  it('gives a skill an end, and leaves the rest of the instructor as it is', async () => {
    const shown = await roster();
    shown.element.querySelector<HTMLElement>('[aria-label="Ife Okoro may teach in the Sabrel R"]')!.click();
    await shown.follow();
    const until = document.querySelector<HTMLInputElement>('#field-until')!;
    until.value = '2027-06-30';
    until.dispatchEvent(new Event('input'));
    document.querySelector<HTMLFormElement>('jl-record-form form')!.dispatchEvent(new Event('submit'));
    await shown.follow();
    // Somebody else has given Ife a language meanwhile.
    const now = { ...(z.encode(instructorFields, CREW[1]!) as object), languages: ['en', 'fr'] };
    const instructors = [{ id: 'i2', version: 4, fields: now }];
    shown.http.expectOne('/api/instructors').flush({ instructors });
    const { body } = shown.http.expectOne({ method: 'PUT', url: '/api/instructors/i2' }).request;
    expect(body).toEqual({
      version: 4,
      fields: { ...now, holdsUntil: { cars: { c2: '2027-06-30' } } },
    });
  });
});

describe('The table of skills', () => {
  const CAR = { kind: 'car', car: 'c1' } as const;

  it('gives a column to everybody, and takes it again the second time', async () => {
    const shown = await roster();
    await shown.press('Everybody may give the class');
    const instructors = CREW.map((fields) => ({
      id: fields.id,
      version: 3,
      fields: z.encode(instructorFields, fields),
    }));
    shown.http.expectOne('/api/instructors').flush({ instructors });
    const changed = [];
    for (const { id } of CREW) {
      const request = shown.http.expectOne({ method: 'PUT', url: `/api/instructors/${id}` });
      changed.push(request.request.body.fields.brief);
      request.flush({ id, version: 4, fields: request.request.body.fields });
    }
    expect(changed).toEqual([true, true]);
  });

  it('has lead car and spotter, which no plan sees', () => {
    const led = withSkills(CREW[1]!, [{ kind: 'leadCar' }, { kind: 'spotter' }, CAR], true, ['c1']);
    expect([led.leadCar, led.spotter, led.cars]).toEqual([true, true, 'all']);
    expect(Object.keys(plannedInstructor(led, [], '2027-05-22', ['c1']))).not.toContain('leadCar');
    expect(withSkills(led, [CAR], false, ['c1', 'c2']).cars).toEqual(['c2']);
  });
});
