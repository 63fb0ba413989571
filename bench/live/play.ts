import { checkPlan, judgeOf, violationKey, type Violation } from '@core/rules';
import type { Day, Plan } from '@core/day';
import { asked, brokenAhead, byCause, causesOf, driftOf, slideOf, type DriftLine } from '@core/live/drift';
import {
  runningPlan,
  rescheduled,
  planningSnapshotOf,
  withGuestsGone,
  withoutDelays,
  type DayState,
} from '@core/journal';
import { improve, planDay, seededRandom } from '@core/planner';
import { PlayedDay } from '../../demo/crew/play';
import { ordinaryDay } from '../planner/days';

const WITHIN_S = 300;
const LOOK_EVERY_S = 15;
/** Somebody reads what is asked, and answers. */
const ANSWERS_AFTER_S = 60;
const STEPS = 300;

/** What became of a day. */
export interface Outcome {
  slides: number;
  /** Lines that came up, and the hours in which they did. */
  asked: number;
  hours: number;
  /** Broken rules that stood for more than a minute without a cause that is told. */
  unexplained: string[];
  driven: number;
  notDriven: number;
  withoutReason: number;
  plannedWaitS: number;
  waitS: number;
  driftMs: number[];
}

/** Seconds that guests wait between what holds them, from their arrival on, by when things begin and end. */
function waitOf(day: Day, times: ReadonlyMap<string, readonly (readonly [startS: number, endS: number])[]>): number {
  let waitS = 0;
  for (const { id, arrives } of day.guests) {
    let freeS = arrives;
    let first = true;
    for (const [startS, endS] of [...(times.get(id) ?? [])].sort((a, b) => a[0] - b[0])) {
      waitS += Math.max(0, startS - freeS - (first ? 0 : day.rules.guestRestS));
      [freeS, first] = [Math.max(freeS, endS), false];
    }
  }
  return waitS;
}

/** Plays a day, with the manager's answers. */
export function play(seed: number): Outcome {
  const day = ordinaryDay(seededRandom(seed), { drives: 110 + (seed % 5) * 10, cars: 14, load: 0.75 });
  const { plan } = planDay(day, { iterations: 1500, random: seededRandom(seed) });
  const played = new PlayedDay(day, plan, { seed }, day.opens - 1800);
  const outcome: Outcome = {
    ...{ slides: 0, asked: 0, hours: 0, unexplained: [], driven: 0, notDriven: 0, withoutReason: 0 },
    ...{ plannedWaitS: 0, waitS: 0, driftMs: [] },
  };
  const openSince = new Map<string, number>();
  const brokenSince = new Map<string, number>();
  const known = new Set<string>();
  while (played.nowS < day.closes + 3600) {
    played.step();
    if (played.nowS % LOOK_EVERY_S !== 0) continue;
    const beganMs = performance.now();
    const state = played.state();
    const drift = driftOf(played.context, state);
    outcome.driftMs.push(performance.now() - beganMs);
    played.slide(drift, WITHIN_S);
    if (played.nowS % 60 !== 0) continue;
    const { lines: all, rest } = byCause(causesOf(drift, state), violationsOf(played, state), drift);
    const lines = asked(played.context, all, state, WITHIN_S);
    const keys = new Set(lines.map(({ key }) => key));
    for (const key of openSince.keys()) if (!keys.has(key)) openSince.delete(key);
    for (const key of keys) if (!openSince.has(key)) openSince.set(key, played.nowS);
    const ripe = lines.filter(({ key }) => played.nowS >= openSince.get(key)! + ANSWERS_AFTER_S);
    outcome.unexplained.push(...unexplained(rest, played.nowS, brokenSince));
    const fresh = ripe.filter((line) => !known.has(nameOf(line)));
    if (fresh.length === 0) continue;
    outcome.asked += fresh.length;
    fresh.forEach((line) => known.add(nameOf(line)));
    answer(played, state, fresh);
  }
  const state = played.state();
  const drives = [...state.drives.values()];
  outcome.slides = played.slides;
  outcome.hours = (day.closes - day.opens) / 3600;
  outcome.driven = drives.filter(({ stage }) => stage === 'done').length;
  const open = drives.filter(({ stage }) => stage !== 'done');
  outcome.notDriven = open.length;
  const left = new Set(played.context.schedule.plan.unplanned.map(({ drive }) => drive));
  outcome.withoutReason = open.filter(
    ({ drive, guest }) =>
      !left.has(drive.id) && !state.guests.get(guest.id)?.gone && !state.guests.get(guest.id)?.unwell,
  ).length;
  outcome.plannedWaitS = waitOf(day, plannedTimes(day, plan, state));
  outcome.waitS = waitOf(day, realTimes(played, state));
  return outcome;
}

/** The same cause is asked about again only when it concerns something else. */
function nameOf({ key, stuck }: DriftLine): string {
  return `${key} ${stuck.map((one) => one.key).join()}`;
}

/** What is only later slides, where that breaks nothing; else the day is planned again from where it is heading. */
function answer(played: PlayedDay, state: DayState, lines: readonly DriftLine[]): void {
  const { day, context } = played;
  const { day: known, plan, from, repair } = planningSnapshotOf(day, context.schedule.plan, state);
  const drift = driftOf(context, state);
  const later = rescheduled(context.schedule.plan, slideOf(drift));
  const seen = runningPlan(day, later, state, known);
  const { broken } = judgeOf(known, plan, repair).of(seen);
  const onlyLater =
    lines.every(({ stuck }) => stuck.length === 0) && broken.every(({ code }) => code.startsWith('REPAIR'));
  if (onlyLater) return played.agree(drift);
  const found = improve(known, seen, { iterations: STEPS, random: seededRandom(played.nowS) }, from);
  played.accept(withGuestsGone(day, known, withoutDelays(found.plan)));
}

/** What the plan in force breaks of what is still to come. */
function violationsOf(played: PlayedDay, state: DayState): Violation[] {
  const { day, plan, repair } = planningSnapshotOf(played.day, played.context.schedule.plan, state);
  const { violations } = checkPlan(day, plan, repair);
  return brokenAhead(violations, state);
}

/** Codes of rules that have been broken for more than a minute and belong to no cause. */
function unexplained(rest: readonly Violation[], nowS: number, since: Map<string, number>): string[] {
  const keys = new Map(rest.map((one) => [violationKey(one), one]));
  for (const key of since.keys()) if (!keys.has(key)) since.delete(key);
  return [...keys].flatMap(([key, { code, detail }]) => {
    const sinceS = since.get(key) ?? nowS;
    since.set(key, sinceS);
    return nowS - sinceS > 60 ? [`${code} ${detail}`] : [];
  });
}

type Times = Map<string, (readonly [number, number])[]>;

function add(times: Times, guest: string, startS: number, endS: number): void {
  const own = times.get(guest) ?? [];
  own.push([startS, endS]);
  times.set(guest, own);
}

/** By the first plan, of drives that were driven. */
function plannedTimes(day: Day, plan: Plan, state: DayState): Times {
  const times: Times = new Map();
  const { guestOccupancies } = new PlayedDay(day, plan, { seed: 0 }, 0).context.schedule;
  for (const [guest, occupancies] of guestOccupancies) {
    for (const one of occupancies) {
      if (one.kind === 'drive' && state.drives.get(one.planned.drive)?.stage !== 'done') continue;
      add(times, guest, one.startS, one.endS);
    }
  }
  return times;
}

function realTimes({ entries, day }: PlayedDay, state: DayState): Times {
  const times: Times = new Map();
  const began = new Map<string, { atS: number; guests: readonly string[] }>();
  for (const { entry } of entries) {
    if (entry.kind === 'classBegan') began.set(`class ${entry.instructor}`, { atS: entry.at, guests: entry.guests });
    if (entry.kind === 'sightingBegan')
      began.set(entry.vehicle, { atS: entry.at - day.rules.sighting.setUpS, guests: entry.guests });
    const ended =
      entry.kind === 'classEnded'
        ? `class ${entry.instructor}`
        : entry.kind === 'sightingEnded'
          ? entry.vehicle
          : undefined;
    const one = ended === undefined ? undefined : began.get(ended);
    if (one)
      for (const guest of one.guests)
        add(times, guest, one.atS, entry.at + (entry.kind === 'sightingEnded' ? day.rules.sighting.wrapUpS : 0));
  }
  for (const { guest, seatedS, debriefedS } of state.drives.values()) {
    if (seatedS !== undefined && debriefedS !== undefined) add(times, guest.id, seatedS, debriefedS);
  }
  return times;
}
