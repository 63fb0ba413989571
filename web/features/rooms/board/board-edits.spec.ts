import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { planFile } from '@core/day';
import { at } from '@core/testing/small-day';
import * as z from 'zod';
import { serveDay } from '../../../testing/fake-day';
import { dayWith } from '../../../testing/group-here';
import { settle, theDay } from '../../../testing/two-drives';
import { VerdictsHere } from '../../../testing/verdicts-here';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { BoardEdits } from './board-edits';
import { boardRows, groupGhostOf } from './board-model';

const PLANS = '/api/days/2027-05-22/plans';
interface Sent {
  readonly plan: z.input<typeof planFile>;
  readonly base: number;
  readonly reason: string;
  readonly despiteRules?: boolean;
}

describe('Changes by hand', () => {
  let http: HttpTestingController;
  let data: ReturnType<typeof theDay>;
  let edits: BoardEdits;

  beforeEach(() => {
    data = theDay();
    http = serveDay(data, [{ provide: Verdicts, useClass: VerdictsHere }, BoardEdits]);
    edits = TestBed.inject(BoardEdits);
    http.expectOne('/api/days/2027-05-22/planning').flush({ job: null });
  });

  /** The server takes the plan that was sent, and the day goes by it. */
  async function taken(): Promise<Sent> {
    await settle();
    const request = http.expectOne(PLANS);
    const sent = request.request.body as Sent;
    const revision = sent.base + 1;
    const by = { author: 'M', reason: 'r', acceptedAt: '2027-05-22T07:00:00.000Z', despite: [] };
    const reply = { revision, ...by, plan: sent.plan };
    request.flush(reply, { status: 201, statusText: 'Created' });
    data.planned(z.decode(planFile, sent.plan), revision);
    TestBed.tick();
    await settle();
    return sent;
  }
  const refuse = (detail: string) =>
    http
      .expectOne(PLANS)
      .flush({ type: 'about:blank', title: 'No', status: 409, detail }, { status: 409, statusText: 'Conflict' });
  const released = (id: string) => data.plan().drives.find(({ drive }) => drive === id)!.release;
  const sentRelease = ({ plan }: Sent, id: string) => plan.drives.find(({ drive }) => drive === id)!.release;
  const move = async (byS: number, despiteRules = false) => {
    expect(edits.begin('d1')).toBeTrue();
    edits.shift(byS);
    await settle();
    const done = edits.drop(despiteRules);
    await settle();
    return done;
  };

  it('fall on full quarters of a minute, and are stored with the words of what was done', async () => {
    void move(-67);
    const sent = await taken();
    expect(sentRelease(sent, 'd1')).toBe('09:59');
    expect([sent.base, sent.reason]).toEqual([1, 'Moved Ines Faro by hand']);
    expect(edits.undoable()).toBe('Moved Ines Faro by hand');
    expect(edits.trial()).toBeUndefined();
  });

  it('show their verdict while they are tried, and change nothing before they are dropped', async () => {
    edits.begin('d1');
    edits.shift(600, { car: 'c2' });
    expect(edits.trial()!.checked).toBeFalse();
    await settle();
    expect(edits.trial()!.checked).toBeTrue();
    expect(edits.trial()!.judgement.broken.length).toBeGreaterThan(0);
    expect(released('d1')).toBe(at('10:00'));
    edits.cancel();
    expect(edits.trial()).toBeUndefined();
    http.expectNone(PLANS);
  });

  it('that break a rule are refused with it, and are the manager’s decision with Shift', async () => {
    edits.begin('d1');
    edits.shift(600, { car: 'c2' });
    await settle();
    expect(await edits.drop(false)).toBeFalse();
    expect(data.refused.at(-1)).toContain('Nothing is changed; with Shift it is your decision.');
    http.expectNone(PLANS);
    edits.begin('d1');
    edits.shift(600, { car: 'c2' });
    await settle();
    void edits.drop(true);
    expect((await taken()).despiteRules).toBeTrue();
  });

  it('that end where they began are none', async () => {
    edits.begin('d1');
    expect(await edits.drop(false)).toBeFalse();
    http.expectNone(PLANS);
    expect(edits.undoable()).toBeUndefined();
  });

  it('are taken back and done again, as plans that the server accepts', async () => {
    void move(-60);
    await taken();
    void edits.undo();
    const back = await taken();
    expect([back.reason, sentRelease(back, 'd1')]).toEqual(['Taken back: Moved Ines Faro by hand', '10:00']);
    expect([edits.undoable(), edits.redoable()]).toEqual([undefined, 'Moved Ines Faro by hand']);
    void edits.redo();
    const again = await taken();
    expect([again.reason, sentRelease(again, 'd1')]).toEqual(['Done again: Moved Ines Faro by hand', '09:59']);
    expect([edits.undoable(), edits.redoable()]).toEqual(['Moved Ines Faro by hand', undefined]);
  });

  it('that are refused as the day has gone on meanwhile are asked for once more, from where it is now', async () => {
    void move(-60);
    await settle();
    data.record({ kind: 'guestArrived', guest: 'g1' }, '09:00');
    refuse('Somebody is taken.');
    const sent = await taken();
    expect(sentRelease(sent, 'd1')).toBe('09:59');
    expect(data.refused).toEqual([]);
    expect(edits.undoable()).toBe('Moved Ines Faro by hand');
  });

  it('are taken back to the times as they stand, where something has run late since', async () => {
    data.clear('g1', '09:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '09:56');
    data.record({ kind: 'released', drive: 'd1' }, '10:03');
    data.clockS.set(at('10:04'));
    expect(data.refused).toEqual([]);
    expect(edits.begin('d2')).toBeTrue();
    edits.shift(600);
    await settle();
    void edits.drop(true);
    await taken();
    void edits.undo();
    const back = await taken();
    expect(sentRelease(back, 'd2')).toBe('10:10');
    expect(sentRelease(back, 'd1')).toBe('10:03');
  });

  it('follow each other however fast they are asked for', async () => {
    void move(-60);
    await taken();
    void edits.undo();
    void edits.redo();
    expect(sentRelease(await taken(), 'd1')).toBe('10:00');
    expect(sentRelease(await taken(), 'd1')).toBe('09:59');
    expect(edits.redoable()).toBeUndefined();
  });

  it('that the server refuses leave the step where it was', async () => {
    void move(-60);
    await taken();
    void edits.undo();
    await settle();
    refuse('Somebody else has accepted a plan meanwhile.');
    await settle();
    expect(data.refused).toEqual(['Somebody else has accepted a plan meanwhile.']);
    expect([edits.undoable(), edits.redoable()]).toEqual(['Moved Ines Faro by hand', undefined]);
  });

  it('after one that was taken back are a new beginning: there is nothing to do again', async () => {
    void move(-60);
    await taken();
    void edits.undo();
    await taken();
    void move(-120);
    await taken();
    expect(edits.redoable()).toBeUndefined();
  });

  it('move all that are selected by the same time, and keep the selection only while they are tried', async () => {
    edits.toggle('d1');
    edits.toggle('d2');
    edits.begin('d2');
    edits.shift(-120);
    await settle();
    void edits.drop(false);
    const sent = await taken();
    expect([sentRelease(sent, 'd1'), sentRelease(sent, 'd2')]).toEqual(['09:58', '10:08']);
    expect(edits.selection().size).toBe(0);
  });

  it('swap two, and only two', async () => {
    edits.toggle('d1');
    expect(await edits.swap()).toBeFalse();
    edits.toggle('d2');
    void edits.swap();
    const sent = await taken();
    expect([sentRelease(sent, 'd2'), sentRelease(sent, 'd1')]).toEqual(['10:00', '10:10']);
  });

  it('leave alone who is under way or gone', () => {
    data.clear('g1', '09:00');
    data.record({ kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' }, '09:56');
    data.record({ kind: 'guestNoShow', guest: 'g2' }, '09:57');
    data.clockS.set(at('09:58'));
    expect([edits.begin('d1'), edits.begin('d2')]).toEqual([false, false]);
    expect(data.refused).toEqual([
      'Ines Faro is under way, or gone: it stays where it is.',
      'Piet Verhoeve is under way, or gone: it stays where it is.',
    ]);
    edits.toggle('d1');
    expect(edits.selection().size).toBe(0);
  });

  it('need the present: at another time of the ribbon nothing moves', () => {
    data.showTime(at('12:00'));
    expect(edits.begin('d1')).toBeFalse();
    expect(data.refused).toEqual(['The ribbon shows another time. Go back to now to change the plan.']);
  });

  it('wait for the one before to be stored', async () => {
    void move(-60);
    await settle();
    await settle();
    expect(edits.begin('d2')).toBeFalse();
    expect(data.refused).toEqual(['The change before is still being stored. Try again in a moment.']);
    await taken();
    expect(edits.begin('d2')).toBeTrue();
  });

  it('see what the plan breaks when something happens', async () => {
    await edits.lookAgain();
    expect(edits.broken()).toEqual([]);
    data.record({ kind: 'carHeld', car: 'c2', reason: 'mechanical' }, '08:10');
    await edits.lookAgain();
    // One line with its cause, and what is broken because of it.
    const [line, ...others] = edits.lines();
    expect(others).toEqual([]);
    expect([line!.cause.code, line!.stuck.length]).toEqual(['carOut', 1]);
    expect(line!.broken.map(({ code }) => code)).toContain('CAR_FREE');
    expect(edits.broken()).toEqual([]);
  });

  it('tell one cause of delay, what it costs, and tell it no more once it was left as it is', async () => {
    data.clear('g1', '09:00');
    data.clear('g2', '09:00');
    data.clockS.set(at('10:08'));
    await edits.lookAgain();
    const [line] = edits.lines();
    expect([line!.cause.code, line!.key]).toEqual(['notBegun', 'drive d1']);
    expect(await edits.costOf(line!)).toBeGreaterThan(5);
    expect(await edits.repairOptions(line!)).toEqual([]);
    data.record({ kind: 'leftAsIs', cause: line!.key, byS: 720 }, '10:08');
    expect(edits.lines().map(({ key }) => key)).not.toContain('drive d1');
    data.clockS.set(at('10:14'));
    expect(edits.lines().map(({ key }) => key)).toContain('drive d1');
  });
});

describe('A group moved by hand', () => {
  it('goes along its row with all that it has, unless it is under way', async () => {
    const data = dayWith({});
    const http = serveDay(data, [{ provide: Verdicts, useClass: VerdictsHere }, BoardEdits]);
    const edits = TestBed.inject(BoardEdits);
    http.expectOne('/api/days/2027-05-22/planning').flush({ job: null });
    expect(edits.beginGroup('one')).toBeTrue();
    edits.shift(607);
    await settle();
    expect(edits.trial()!.plan.groups![0]!.release).toBe(at('10:10'));
    void edits.drop(true);
    await settle();
    const sent = http.expectOne(PLANS).request.body as Sent;
    expect([sent.reason, sent.plan.groups![0]!.release]).toEqual(['Moved The three by hand', '10:10']);
    edits.cancel();
    const crew = [{ role: 'lead' as const, instructor: 'i1' }];
    const guests = ['g1', 'g2', 'g3'];
    data.record({ kind: 'groupBegan', group: 'one', guests, cars: ['c1', 'c2', 'c3'], crew }, '09:51');
    expect(data.refused).toEqual([]);
    data.clockS.set(at('09:52'));
    expect(edits.beginGroup('one')).toBeFalse();
    expect(data.refused.at(-1)).toMatch(/still being stored|under way/);
  });

  it('is drawn where it would be, in the row of its surface', async () => {
    const { context, state } = dayWith({});
    const [planned] = context().schedule.plan.groups!;
    const ghost = groupGhostOf(context(), state(), { ...planned!, release: at('11:00') }, 'trial')!;
    expect([ghost.row, ghost.block.label]).toEqual(['surface circuit', 'The three']);
    expect(ghost.block.startS).toBeLessThan(at('11:00'));
    const row = boardRows(context(), state(), 'cars').find(({ id }) => id === ghost.row)!;
    expect(row.blocks.map((block) => block.kind === 'other' && block.moves)).toEqual(['one']);
  });
});
