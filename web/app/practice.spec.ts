import { TestBed } from '@angular/core/testing';
import type { PracticeStatus } from '@core/api';
import { Outbox } from '../shared/data/outbox';
import { PracticeService } from '../shared/data/practice.service';
import { serveDay, show } from '../testing/fake-day';
import { dayAt } from '../testing/two-guests';
import { PracticeCrew } from './practice-crew';
import { PracticeStrip } from './practice-strip';

const quiet: PracticeStatus = { there: true, seed: 88, off: [], taken: [] };
const marshal = { post: { station: 'pitExit' }, by: 'Maren', entry: 'entry-0001', secondsLeft: 170 } as const;
const driver = { post: { station: 'cars', instructor: 'i2' }, by: 'Ife Okoro', entry: 'e2', secondsLeft: 20 } as const;

describe('The simulated crew', () => {
  it('is nobody where it is not there, whatever was taken over', () => {
    const http = serveDay(dayAt('10:00'));
    const practice = TestBed.inject(PracticeService);
    http.expectOne('/api/practice').flush({ ...quiet, there: false, taken: [marshal] });
    expect(practice.status()).toBeUndefined();
    expect(practice.taken()).toEqual([]);
  });

  it('is asked about again when a station has changed hands', () => {
    const data = dayAt('10:00');
    const http = serveDay(data);
    const practice = TestBed.inject(PracticeService);
    http.expectOne('/api/practice').flush(quiet);
    data.practiceChanged.next();
    http.expectOne('/api/practice').flush({ ...quiet, taken: [marshal] });
    expect(practice.taken().map(({ by }) => by)).toEqual(['Maren']);
  });
});

describe('What was taken over', () => {
  const shown = async (status: PracticeStatus) => {
    const it = await show(PracticeStrip, dayAt('10:00'));
    it.http.expectOne('/api/practice').flush(status);
    await it.fixture.whenStable();
    return it;
  };

  it('is said only where something was', async () => {
    const { text } = await shown(quiet);
    expect(text().trim()).toBe('');
  });

  it('is said with who has it, and yours as yours', async () => {
    const { text, fixture } = await shown({ ...quiet, taken: [marshal, driver] });
    expect(text()).toContain('Maren is the marshal now.');
    expect(text()).toContain('Somebody is Ife Okoro now.');
    const entry = {
      kind: 'lastCheckDone',
      id: marshal.entry,
      at: 0,
      by: 'Maren',
      drive: 'd2',
      items: ['Belts'],
    } as const;
    TestBed.inject(Outbox).outcomes.next({
      date: '2027-05-22',
      recorded: { seq: 1, recordedAt: '', entry: { ...entry, items: ['Belts'] } },
    });
    await fixture.whenStable();
    expect(text()).toContain('You are the marshal now.');
  });

  it('is given back by a tap', async () => {
    const { press, http, text, fixture } = await shown({ ...quiet, taken: [driver] });
    await press('Give back: Ife Okoro');
    const request = http.expectOne('/api/practice/given-back');
    expect(request.request.body).toEqual(driver.post);
    request.flush(quiet);
    await fixture.whenStable();
    expect(text().trim()).toBe('');
  });
});

describe('Who plays the day', () => {
  const shown = async (status: PracticeStatus) => {
    const it = await show(PracticeCrew, dayAt('10:00'), { open: true });
    it.http.expectOne('/api/practice').flush(status);
    await it.fixture.whenStable();
    return { ...it, dialog: document.querySelector('[role=dialog]')! };
  };

  it('is told station by station', async () => {
    const { dialog } = await shown({ ...quiet, off: ['garage'], taken: [marshal] });
    const rows = [...dialog.querySelectorAll('li')].map((row) => row.textContent.replace(/\s+/g, ' ').trim());
    expect(rows.length).toBe(6);
    expect(rows.find((row) => row.startsWith('Pit exit'))).toContain('taken over by Maren');
    expect(rows.find((row) => row.startsWith('Garage'))).toContain('nobody, unless people do it');
  });

  it('changes with a switch, and chance with a seed', async () => {
    const { dialog, http, fixture } = await shown(quiet);
    dialog.querySelector<HTMLInputElement>('#crew-desk')!.click();
    const off = http.expectOne('/api/practice/stations/desk');
    expect([off.request.method, off.request.body]).toEqual(['PUT', { on: false }]);
    off.flush({ ...quiet, off: ['desk'] });
    await fixture.whenStable();
    dialog.querySelector('form')!.dispatchEvent(new Event('submit'));
    const seeded = http.expectOne('/api/practice/seed');
    expect(seeded.request.body).toEqual({ seed: 89 });
    seeded.flush({ ...quiet, seed: 89 });
  });
});
