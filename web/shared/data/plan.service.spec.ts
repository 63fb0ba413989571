import { planFile } from '@core/day';
import * as z from 'zod';
import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { PlanProgress } from '@core/api';
import { aPlan, at, drive } from '@core/testing/small-day';
import { serveDay } from '../../testing/fake-day';
import { theDay } from '../../testing/two-drives';
import { Outbox } from './outbox';
import { PlanService } from './plan.service';

const PLANNING = '/api/days/2027-05-22/planning';
const PLANS = '/api/days/2027-05-22/plans';
const JOURNAL = '/api/days/2027-05-22/journal';
const job = (more: Record<string, unknown> = {}) => ({
  id: 'job-0001',
  author: 'Maren',
  reason: 'A car is away',
  mode: 'repair',
  seconds: 3,
  startedAt: '2027-05-22T07:00:00.000Z',
  base: 1,
  asOf: '09:00',
  state: 'running',
  found: null,
  ...more,
});
const refusal = (detail: string) =>
  [
    { type: 'about:blank', title: 'No', status: 409, detail },
    { status: 409, statusText: 'Conflict' },
  ] as const;

describe('The search for a plan', () => {
  let http: HttpTestingController;
  let data: ReturnType<typeof theDay>;
  let planning: PlanService;

  beforeEach(() => {
    data = theDay();
    http = serveDay(data);
    planning = TestBed.inject(PlanService);
    http.expectOne(PLANNING).flush({ job: null });
  });
  afterEach(() => http.verify());
  const started = (more: Record<string, unknown> = {}) => {
    planning.start('repair', 'A car is away');
    http.expectOne({ method: 'POST', url: PLANNING }).flush(job(more), { status: 202, statusText: 'Accepted' });
  };

  it('is one at a time, and takes less for a repair than for a whole day', () => {
    planning.start('improve', 'x'.repeat(300));
    const { request } = http.expectOne({ method: 'POST', url: PLANNING });
    expect([request.body.mode, request.body.seconds, request.body.reason.length]).toEqual(['improve', 20, 200]);
    http.match(PLANNING);
    started();
    expect(planning.running()).toBeTrue();
    planning.start('improve', 'Again');
    http.expectNone(PLANNING);
  });

  it('says in the server’s words why it cannot begin', () => {
    planning.start('repair', 'A car is away');
    http.expectOne(PLANNING).flush(...refusal('A plan is being looked for already.'));
    expect(data.refused).toEqual(['A plan is being looked for already.']);
    expect(planning.running()).toBeFalse();
  });

  it('shows the progress of its own search, and not that of one before', () => {
    started();
    const progress = (id: string): PlanProgress => ({
      id,
      elapsedS: 1,
      steps: 100,
      cost: { total: 12, terms: [] } as unknown as PlanProgress['cost'],
      costBefore: null,
      unplanned: 0,
    });
    data.planningProgress.next(progress('job-0000'));
    expect(planning.progress()).toBeUndefined();
    data.planningProgress.next(progress('job-0001'));
    expect(planning.progress()?.steps).toBe(100);
  });

  it('asks again when the server says that something has changed, for the newest question only', () => {
    data.planningChanged.next();
    data.planningChanged.next();
    const requests = http.match(PLANNING);
    expect(requests.map(({ cancelled }) => cancelled)).toEqual([true, false]);
    requests[1]!.flush({ job: job({ state: 'ready' }) });
    expect([planning.job()?.state, planning.running()]).toEqual(['ready', false]);
  });

  it('goes on being told after a reading that failed', () => {
    data.planningChanged.next();
    http.expectOne(PLANNING).flush(...refusal('Not now.'));
    data.planningChanged.next();
    http.expectOne(PLANNING).flush({ job: job() });
    expect(planning.running()).toBeTrue();
  });

  it('keeps what a short search has found before the reply to its start came', () => {
    planning.start('repair', 'A car is away');
    const start = http.expectOne({ method: 'POST', url: PLANNING });
    data.planningChanged.next();
    http.expectOne({ method: 'GET', url: PLANNING }).flush({ job: job({ state: 'ready' }) });
    start.flush(job(), { status: 202, statusText: 'Accepted' });
    expect(planning.job()?.state).toBe('ready');
  });

  it('calls a proposal stale once another plan is accepted', () => {
    started({ state: 'ready' });
    expect(planning.stale()).toBeFalse();
    data.planned(aPlan({ drives: [drive('11:00')] }), 2);
    expect(planning.stale()).toBeTrue();
  });

  it('is stopped and dropped by request, and says what went wrong with it', () => {
    started();
    planning.stop();
    http.expectOne(`${PLANNING}/stop`).flush({ stopping: true });
    planning.drop();
    expect(planning.job()).toBeUndefined();
    http.expectOne(`${PLANNING}/drop`).flush(...refusal('It is being accepted.'));
    expect(data.refused).toEqual(['It is being accepted.']);
  });

  const holdCar = async () => {
    const outbox = TestBed.inject(Outbox);
    await outbox.ready;
    const held = { kind: 'carHeld', car: 'c1', reason: 'mechanical' } as const;
    outbox.send('2027-05-22', { ...held, id: 'entry-0001', at: at('09:00'), by: 'M' });
  };

  it('waits for what was just entered, since a repair goes by what the server knows', async () => {
    await holdCar();
    planning.repairOnceSent('c1 is held');
    http.expectNone(PLANNING);
    const sent = http.expectOne(JOURNAL);
    sent.flush({ seq: 1, recordedAt: '2027-05-22T08:00:00.000Z', entry: sent.request.body });
    expect(http.expectOne(PLANNING).request.body.reason).toBe('c1 is held');
  });

  it('does not look for a repair of something that was refused', async () => {
    await holdCar();
    planning.repairOnceSent('c1 is held');
    http.expectOne(JOURNAL).flush(...refusal('It is held already.'));
    expect(TestBed.inject(Outbox).waiting()).toEqual([]);
    http.expectNone(PLANNING);
  });

  it('begins at once where nothing waits', () => {
    planning.repairOnceSent('c1 is held');
    expect(http.expectOne(PLANNING).request.body.mode).toBe('repair');
  });

  describe('and its acceptance', () => {
    const by = { author: 'M', reason: 'r', acceptedAt: '2027-05-22T07:00:00.000Z', despite: [] };
    const plan = z.encode(planFile, aPlan({ drives: [drive('11:00')] }));
    const accepted = { revision: 2, ...by, plan };
    const accept = () => {
      const told: string[] = [];
      planning
        .accept({ plan: aPlan({ drives: [drive('11:00')] }), base: 1, asOf: at('09:00'), reason: 'Better' })
        .subscribe({
          next: ({ revision }) => told.push(`revision ${revision}`),
          error: (error: Error) => told.push(error.message),
        });
      return told;
    };

    it('is told once the day on screen goes by the new plan', () => {
      const told = accept();
      http.expectOne(PLANS).flush(accepted, { status: 201, statusText: 'Created' });
      TestBed.tick();
      expect(told).toEqual([]);
      data.planned(aPlan({ drives: [drive('11:00')] }), 2);
      TestBed.tick();
      expect(told).toEqual(['revision 2']);
    });

    it('keeps the proposal where it is refused', () => {
      started({ state: 'ready' });
      const told = accept();
      http.expectOne(PLANS).flush(...refusal('Somebody else has accepted a plan meanwhile.'));
      expect(told).toEqual(['Somebody else has accepted a plan meanwhile.']);
      expect(planning.job()?.state).toBe('ready');
    });

    it('is not waited for on a day that is no longer on screen', () => {
      const told = accept();
      http.expectOne(PLANS).flush(accepted, { status: 201, statusText: 'Created' });
      data.date.set('2027-05-23');
      data.planned(aPlan(), 7);
      TestBed.tick();
      expect(told).toEqual(['revision 2']);
    });
  });
});
