import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { contract } from '@core/api';
import { journalEntry, type JournalEntry } from '@core/journal';
import { at } from '@core/testing/small-day';
import * as z from 'zod';
import { MemoryStorage } from '../../testing/memory-storage';
import { Api, type ApiError } from './api';
import { DeviceStorage } from './device-storage';
import { shortName, surname } from './names';
import { Outbox, type Outcome } from './outbox';

const entry = (n: number): JournalEntry => ({
  id: `entry-000${n}`,
  kind: 'guestArrived',
  guest: `g${n}`,
  at: at('09:00'),
  by: 'Desk',
});
const URL = '/api/days/2027-05-22/journal';

describe('Requests and entries', () => {
  let http: HttpTestingController;
  let storage: MemoryStorage;
  beforeEach(() => {
    storage = new MemoryStorage();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: DeviceStorage, useValue: storage },
      ],
    });
    http = TestBed.inject(HttpTestingController);
  });

  it('travel in their encoded form and come back decoded', () => {
    let days: unknown;
    TestBed.inject(Api)
      .call(contract.appendEntry, { params: { date: '2027-05-22' }, body: entry(1) })
      .subscribe((reply) => (days = reply));
    const request = http.expectOne(URL);
    expect(request.request.body.at).toBe('09:00');
    request.flush({ seq: 1, recordedAt: '2027-05-22T08:00:00.000Z', entry: request.request.body });
    expect(days).toEqual({ seq: 1, recordedAt: '2027-05-22T08:00:00.000Z', entry: entry(1) });
  });

  it('come back as a problem with its sentence, or as an answer that never came', () => {
    const errors: unknown[] = [];
    const call = () =>
      TestBed.inject(Api)
        .call(contract.readClock)
        .subscribe({ error: (error) => errors.push(error) });
    call();
    http
      .expectOne('/api/clock')
      .flush(
        { type: 'about:blank', title: 'No', status: 403, detail: 'Not here.' },
        { status: 403, statusText: 'Forbidden' },
      );
    call();
    http.expectOne('/api/clock').error(new ProgressEvent('error'));
    expect((errors[0] as ApiError).message).toBe('Not here.');
    expect((errors[1] as ApiError).problem).toBeUndefined();
  });

  it('that wait are kept anew where the storage of the device was gone', () => {
    const outbox = TestBed.inject(Outbox);
    outbox.send('2027-05-22', entry(1));
    storage.storedEntries.clear();
    storage.renewed.next();
    expect([...storage.storedEntries.keys()]).toEqual(['entry-0001']);
    http.expectOne(URL);
  });

  it('are sent one after the other and kept on the device until the server has them', () => {
    const outbox = TestBed.inject(Outbox);
    outbox.send('2027-05-22', entry(1));
    outbox.send('2027-05-22', entry(2));
    expect([...storage.storedEntries.keys()]).toEqual(['entry-0001', 'entry-0002']);
    const first = http.expectOne(URL);
    first.flush({ seq: 1, recordedAt: '2027-05-22T08:00:00.000Z', entry: first.request.body });
    const second = http.expectOne(URL);
    expect(second.request.body.id).toBe('entry-0002');
    second.flush({ seq: 2, recordedAt: '2027-05-22T08:00:00.000Z', entry: second.request.body });
    expect(outbox.waiting()).toEqual([]);
    expect(storage.storedEntries.size).toBe(0);
  });

  it('wait out a network that is away, and keep their id', () => {
    jasmine.clock().install();
    try {
      const outbox = TestBed.inject(Outbox);
      outbox.send('2027-05-22', entry(1));
      http.expectOne(URL).error(new ProgressEvent('error'));
      expect(outbox.waiting().length).toBe(1);
      jasmine.clock().tick(2100);
      const { id, offline } = http.expectOne(URL).request.body;
      expect([id, offline]).toEqual(['entry-0001', true]);
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('stay on the device with the reason where the server refuses them, until somebody has seen it', () => {
    const outbox = TestBed.inject(Outbox);
    const settled: Outcome[] = [];
    outbox.outcomes.subscribe((one) => settled.push(one));
    outbox.send('2027-05-22', entry(1));
    http
      .expectOne(URL)
      .flush(
        { type: 'about:blank', title: 'No', status: 409, detail: 'Ines is here already.' },
        { status: 409, statusText: 'Conflict' },
      );
    expect(settled).toEqual([{ date: '2027-05-22', reason: 'Ines is here already.' }]);
    expect(outbox.waiting()).toEqual([]);
    expect(storage.storedEntries.get('entry-0001')!.refusal).toBe('Ines is here already.');
    outbox.dismiss('entry-0001');
    expect([outbox.refused().length, storage.storedEntries.size]).toEqual([0, 0]);
  });

  it('come back after a reload, those that wait and those that were refused', async () => {
    const encoded = z.encode(journalEntry, entry(1));
    await storage.putEntry({ id: 'entry-0001', date: '2027-05-22', entry: encoded, sinceMs: 5 });
    await storage.putEntry({
      id: 'entry-0002',
      date: '2027-05-22',
      entry: { ...encoded, id: 'entry-0002' },
      sinceMs: 6,
      refusal: 'No.',
    });
    await storage.putEntry({ id: 'entry-0003', date: '2027-05-22', entry: 'unreadable', sinceMs: 7 });
    const outbox = TestBed.inject(Outbox);
    await outbox.ready;
    expect(outbox.waiting().map((it) => it.entry.id)).toEqual(['entry-0001']);
    expect(outbox.refused().map(({ reason }) => reason)).toEqual(['No.']);
    http.expectOne(URL);
  });

  it('are kept by the browser itself', async () => {
    const real = new DeviceStorage();
    await real.putEntry({ id: 'spec-0001', date: '2027-05-22', entry: {}, sinceMs: 2 });
    await real.putEntry({ id: 'spec-0000', date: '2027-05-22', entry: {}, sinceMs: 1 });
    const own = (await real.entries()).filter(({ id }) => id.startsWith('spec-'));
    expect(own.map(({ id }) => id)).toEqual(['spec-0000', 'spec-0001']);
    await real.removeEntry('spec-0000');
    await real.removeEntry('spec-0001');
    await real.putDay({ date: '1999-01-01', view: { day: 1 }, readMs: 1 });
    expect((await real.day('1999-01-01'))!.view).toEqual({ day: 1 });
  });
});

describe('Words on screen', () => {
  it('call guests and instructors as people do', () => {
    expect([shortName('Ines Faro'), shortName('Cher'), surname('Ife Okoro')]).toEqual(['Ines F', 'Cher', 'Okoro']);
  });
});
