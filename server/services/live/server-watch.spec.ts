import { fact } from '@core/values';
import { testServer, type TestServer } from '../../testing/test-server';
import { Hub } from './hub';
import { ServerWatch } from './server-watch';

describe('What a server says that cannot be believed', () => {
  let server: TestServer;
  let nowMs = Date.parse('2027-05-22T10:00:00Z');
  let watch: ServerWatch;
  const facts = () => watch.dataIssues().map((one) => one.fact);
  beforeEach(() => {
    server = testServer();
    nowMs = Date.parse('2027-05-22T10:00:00Z');
    watch = new ServerWatch(server.store, new Hub(), true, () => nowMs);
  });
  afterEach(() => {
    watch.close();
    server.close();
  });

  it('names its clock where it stands before what was written, by this start or an earlier one', () => {
    expect(facts()).toEqual([]);
    nowMs -= 3_600_000;
    watch.heard('p1', undefined);
    const lastAt = '2027-05-22T10:00:00.000Z';
    expect(facts()).toEqual([fact('clockSetBack', {}, { lastAt })]);
    nowMs += 3_600_000;
    watch.heard('p1', undefined);
    expect(facts()).toEqual([]);

    const entry = { id: 'arrived-1', at: 36_000, by: 'Desk', kind: 'note', text: 'x' };
    server.store.db
      .prepare('insert into journal_entry (date, seq, id, recorded_at, document) values (?, 1, ?, ?, ?)')
      .run('2027-05-22', entry.id, '2027-05-23T10:00:00.000Z', JSON.stringify(entry));
    watch.close();
    watch = new ServerWatch(server.store, new Hub(), true, () => nowMs);
    expect(facts()).toEqual([fact('clockSetBack', {}, { lastAt: '2027-05-23T10:00:00.000Z' })]);
    // Those of the demo are of a day to come.
    watch.close();
    watch = new ServerWatch(server.store, new Hub(), false, () => nowMs);
    expect(facts()).toEqual([]);
  });

  it('names its clock where most phones go by another, and not where one of them goes wrong', () => {
    watch.heard('p1', nowMs - 86_400_000);
    expect(facts()).toEqual([fact('clockOff', {}, { aheadMin: 1440, devices: 1 })]);
    watch.heard('p2', nowMs + 1000);
    watch.heard('p3', nowMs - 2000);
    expect(facts()).toEqual([]);
    // Those that are not heard any more do not count.
    nowMs += 11 * 60_000;
    watch.heard('p4', nowMs + 600_000);
    expect(facts()).toEqual([fact('clockOff', {}, { aheadMin: -10, devices: 1 })]);
  });

  it('names the phone that knows more than it, on every screen', async () => {
    const added = { token_hash: 'x', added_at: '2027-05-22T06:00:00.000Z', secure: 1 as const };
    server.store.phones.add({ id: 'p1', name: 'Red phone', ...added });
    const row = server.store.phones.get('p1')!;
    const report = { who: 'Petra', screen: '/', version: 'A', waiting: 0, aside: 3 };
    server.store.phones.put({ ...row, report: JSON.stringify(report) });
    watch.heard('p1', nowMs);
    expect(facts()).toEqual([fact('knownByPhone', { phone: 'Red phone' }, { count: 3 })]);
    server.store.phones.put({ ...row, report: JSON.stringify({ ...report, aside: 0 }) });
    watch.heard('p1', nowMs);
    expect(facts()).toEqual([]);
  });
});
