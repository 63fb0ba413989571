import { TestBed } from '@angular/core/testing';
import { planningSnapshotOf, stateOf } from '@core/journal';
import { at } from '@core/testing/small-day';
import { serveDay } from '../../testing/fake-day';
import { theDay } from '../../testing/two-drives';
import { Verdicts } from './verdicts';

describe('Plans judged beside the screen', () => {
  let data: ReturnType<typeof theDay>;
  let verdicts: Verdicts;
  let workers: Worker[];
  const original = globalThis.Worker;

  beforeEach(() => {
    workers = [];
    globalThis.Worker = class extends original {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        workers.push(this);
      }
    };
    data = theDay();
    serveDay(data);
    verdicts = TestBed.inject(Verdicts);
  });
  afterEach(() => {
    verdicts.ngOnDestroy();
    globalThis.Worker = original;
  });
  const snapshot = () => {
    const context = data.context();
    return planningSnapshotOf(context.day, context.schedule.plan, stateOf(context, [], at('08:00')));
  };
  const later = (seconds: number) => {
    const plan = data.plan();
    return { ...plan, drives: plan.drives.map((one) => ({ ...one, release: one.release + seconds })) };
  };

  it('say what is broken already, and what a change would break', async () => {
    expect((await verdicts.judgeFrom(snapshot())).violations).toEqual([]);
    expect((await verdicts.judge(later(60)))!.broken).toEqual([]);
    const night = (await verdicts.judge(later(12 * 3600)))!;
    expect(night.broken.map(({ code }) => code)).toContain('HOURS');
    expect(workers.length).toBe(1);
  });

  it('judge only the newest of those that wait', async () => {
    await verdicts.judgeFrom(snapshot());
    const asked = [30, 60, 90, 120].map((seconds) => verdicts.judge(later(seconds)));
    const answers = await Promise.all(asked);
    expect(answers.map((answer) => answer !== undefined)).toEqual([true, false, false, true]);
  });

  it('go on from the same snapshot in another thread where one dies, and say so', async () => {
    await verdicts.judgeFrom(snapshot());
    const asked = verdicts.judge(later(12 * 3600));
    workers[0]!.dispatchEvent(new ErrorEvent('error', { message: 'out of memory', cancelable: true }));
    expect((await asked)!.broken.map(({ code }) => code)).toContain('HOURS');
    expect(workers.length).toBe(2);
    expect(data.refused).toEqual(['The check of the plan broke off and is begun again.']);
  });

  it('go on from there too where the thread has died between two of them', async () => {
    await verdicts.judgeFrom(snapshot());
    workers[0]!.dispatchEvent(new ErrorEvent('error', { message: 'out of memory', cancelable: true }));
    expect((await verdicts.judge(later(12 * 3600)))!.broken.map(({ code }) => code)).toContain('HOURS');
    expect([workers.length, data.refused]).toEqual([2, []]);
  });

  it('look for what would help in a thread of its own, so that a drive that moves does not wait for it', async () => {
    await verdicts.judgeFrom(snapshot());
    const [drive] = data.plan().drives;
    expect(await verdicts.remedies(snapshot(), drive!.drive)).toEqual(jasmine.any(Array));
    expect((await verdicts.assignments(snapshot(), drive!.drive)).length).toBeGreaterThan(0);
    expect(workers.length).toBe(2);
  });
});
