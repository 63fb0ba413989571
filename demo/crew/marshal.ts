import type { SightingOccupancy } from '@core/day';
import { driftOf, keyOf, slackOf, type Drift } from '@core/live/drift';
import { countsDiffer, lapEstimateOf, vehiclesOnCircuit, type DriveState } from '@core/journal';
import {
  crossingsDue,
  EVEN_RING,
  exitLimits,
  passesSeen,
  releaseAdvice,
  runnersOf,
  SWAP_FROM,
  swapSaves,
  waitingDrive,
  waitingRun,
  type LapShape,
} from '@core/live/traffic';
import { FORGOTTEN, ROLL_IN_S, SET_UP, SETTLES_AFTER_S, SPOILED_S } from './chance';
import { gathered } from './order';
import type { Deed, Scene } from './scene';

/** A vehicle that is ready at the pit exit. */
type AtExit =
  | { readonly kind: 'drive'; readonly drive: DriveState; readonly readyS: number }
  | { readonly kind: 'sighting'; readonly run: SightingOccupancy; readonly guests: string[]; readonly readyS: number };

/** Says who of those at the exit is let out now, if anybody is. */
export type LetOut = (scene: Scene, queue: readonly AtExit[]) => AtExit | undefined;

/**
 * Whoever has not come past for so many laps is not on the circuit any more: with one lap to go as good as certainly, and
 * at sixty times the speed what is seen may come late.
 */
const UNSEEN_LAPS = { last: 2.5, before: 6 };

/** The marshal taps so long after a car has come past. */
const TAPS_AFTER_S = 1;

const EXIT = { by: 'Pit exit' } as const;

/** Cars that are set up come to the exit, are let out, counted and brought in. */
export function* atPitExit(scene: Scene, letOut: LetOut): Iterable<Deed> {
  const { state, nowS, draw, context, sight, between, ripe } = scene;
  const next = letOut(scene, queueAt(scene));
  if (next?.kind === 'drive') {
    const drive = next.drive.drive.id;
    if (draw(`checks ${drive}`) >= FORGOTTEN.check && next.drive.checked.size === 0) {
      yield { ...EXIT, fields: { kind: 'lastCheckDone', drive, items: ['Strap', 'Belts'] } };
    }
    yield { ...EXIT, fields: { kind: 'released', drive } };
  } else if (next) {
    const { vehicle, instructor } = next.run.sighting;
    yield { ...EXIT, fields: { kind: 'sightingBegan', vehicle, instructor, guests: next.guests } };
  }
  for (const drive of state.drives.values()) {
    // A car that is held while somebody sits in it goes nowhere.
    const held = drive.stage === 'seated' && state.cars.get(drive.car ?? '')?.heldFor !== undefined;
    if (ripe(`out of ${drive.drive.id}`, held, SETTLES_AFTER_S)) {
      yield { ...EXIT, fields: { kind: 'unseated', drive: drive.drive.id } };
    }
    yield* countAndBringIn(scene, drive);
    yield* settle(scene, drive);
  }
  for (const { passed, passing, lap } of passesSeen(context, state, EVEN_RING)) {
    const key = `spoils ${passed} ${lap}`;
    if (lap < 1 || draw(key) < FORGOTTEN.spoiled || !ripe(key, true, between(key, SPOILED_S))) continue;
    const reason = passing.kind === 'drive' ? 'passed by a quicker car' : 'passed by the sighting vehicle';
    yield { ...EXIT, fields: { kind: 'lapSpoiled', drive: passed, lap, reason } };
  }
  for (const [vehicle, run] of state.sightings) {
    const { laps, lastS = run.sinceS } = sight.ofRun(vehicle, run);
    const toGo = context.day.rules.sighting.laps - laps;
    // Nobody stands at the line for long for a vehicle that is in: a crossing may have been seen by nothing.
    const lapS = context.schedule.index.vehicles.get(vehicle)?.lapTimeS ?? 0;
    const unseen = nowS > lastS + (toGo + UNSEEN_LAPS.last) * lapS;
    if ((toGo <= 0 && nowS >= lastS + 20) || unseen) yield { ...EXIT, fields: { kind: 'sightingEnded', vehicle } };
  }
}

/** Whoever counted less has missed one: a tap that was forgotten, or a crossing that the loop did not see. */
function* settle({ nowS, ripe }: Scene, { drive: { id }, count, stage }: DriveState): Iterable<Deed> {
  const differ = stage === 'done' ? undefined : countsDiffer(count, nowS);
  if (!ripe(`settles ${id}`, differ !== undefined, SETTLES_AFTER_S) || !differ) return;
  yield { ...EXIT, fields: { kind: 'lapsSettled', drive: id, crossings: Math.max(differ.loop, differ.hand) } };
}

function* countAndBringIn({ state, context, nowS, draw, between, sight }: Scene, it: DriveState): Iterable<Deed> {
  if (it.stage !== 'onCircuit') return;
  const drive = it.drive.id;
  const { laps, lastS } = sight.ofDrive(it);
  if (lastS === undefined) return;
  // A tap that is forgotten is forgotten for good; the loop knows better.
  const tapped = it.count.marks.some(({ source, atS }) => source === 'hand' && atS >= lastS);
  const tapS = Math.ceil(lastS + TAPS_AFTER_S);
  if (!tapped && draw(`tap ${drive} ${laps}`) >= FORGOTTEN.lap && nowS >= tapS) {
    yield { ...EXIT, atS: tapS, fields: { kind: 'lapCounted', drive, source: 'hand' } };
  }
  const due = crossingsDue(context, it);
  // A car whose last crossing nobody has counted is in all the same, and has driven its laps.
  const patience = laps >= due - 1 ? UNSEEN_LAPS.last : UNSEEN_LAPS.before;
  const unseen = nowS > lastS + patience * lapEstimateOf(context, it).lapS;
  const last = laps >= due && nowS >= lastS + between(`in ${drive}`, ROLL_IN_S);
  if (!last && !unseen) return;
  if (it.crossings.length < due && unseen) {
    return void (yield { ...EXIT, fields: { kind: 'lapsSettled', drive, crossings: due } });
  }
  if (draw(`sees ${drive}`) >= FORGOTTEN.in) yield { ...EXIT, fields: { kind: 'broughtIn', drive } };
  else if (nowS >= lastS + 80) {
    const by = state.crew.get(it.instructor ?? '')?.instructor.name ?? 'Instructor';
    yield { by, fields: { kind: 'parked', drive } };
  }
}

/** Who is ready to be let out, in the order in which they came to be. */
function queueAt(scene: Scene): AtExit[] {
  const { state, context, nowS, between, ripe } = scene;
  const { rules } = context.day;
  const queue: AtExit[] = [];
  for (const drive of state.drives.values()) {
    if (drive.stage !== 'seated' || drive.seatedS === undefined) continue;
    if (state.cars.get(drive.car ?? '')?.heldFor !== undefined) continue;
    const readyS = drive.seatedS + rules.setUpS * between(`set up ${drive.drive.id}`, SET_UP);
    if (nowS >= readyS) queue.push({ kind: 'drive', drive, readyS });
  }
  for (const run of scene.turns()) {
    if (run.kind !== 'sighting' || !run.instructor) continue;
    const guests = gathered(scene, run, (id) => state.guests.get(id)!.briefed && !state.guests.get(id)!.sighted);
    const free =
      state.crew.get(run.instructor.id)?.busyWith === undefined && !state.sightings.has(run.sighting.vehicle);
    const key = `run ${run.sighting.vehicle} ${run.guests[0]?.id}`;
    const setUpS = rules.sighting.setUpS * between(key, SET_UP);
    if (ripe(key, free && guests.length > 0, setUpS)) queue.push({ kind: 'sighting', run, guests, readyS: nowS });
  }
  return queue.sort((a, b) => a.readyS - b.readyS);
}

/** Lets out whoever has waited longest, as soon as the venue's rules allow it. */
export const asSoonAsAllowed: LetOut = ({ context, state }, queue) => {
  const {
    nowS,
    lastReleaseS = -Infinity,
    releaseGapS,
    maxCarsOnTrack,
    shut,
  } = exitLimits(context, state, queue.length);
  const allowed = nowS >= lastReleaseS + releaseGapS && vehiclesOnCircuit(state) < maxCarsOnTrack;
  return allowed && shut(nowS) === undefined ? queue[0] : undefined;
};

/** It is asked again after so long. */
const ASK_AGAIN_S = 4;
/** The drift is looked at anew after so long. */
const DRIFT_EVERY_S = 15;

/** Does what the release advice says, like a marshal who reads it every few seconds. */
export function byAdvice(shape: LapShape): LetOut {
  let askedS = -Infinity;
  let drift: Drift | undefined;
  return ({ context, state, nowS }, queue) => {
    if (queue.length === 0 || (nowS >= askedS && nowS < askedS + ASK_AGAIN_S)) return undefined;
    askedS = nowS;
    if (!drift || nowS < drift.timeS || nowS >= drift.timeS + DRIFT_EVERY_S) drift = driftOf(context, state);
    const now = drift;
    const waiting = queue.map((it) => {
      if (it.kind === 'drive') {
        const slackS = slackOf(context, now, keyOf.drive(it.drive.drive.id));
        return waitingDrive(context, it.drive, slackS);
      }
      const place = context.accepted.sightings.indexOf(it.run);
      return waitingRun(context, it.run, nowS, slackOf(context, now, keyOf.sighting(place)));
    });
    const runners = runnersOf(context, state, shape);
    const limits = exitLimits(context, state, queue.length);
    const [first, second] = waiting;
    const swap = first && second && swapSaves([first, second], runners, limits, shape) >= SWAP_FROM ? 1 : 0;
    return releaseAdvice(waiting[swap]!, runners, limits, shape).go ? queue[swap] : undefined;
  };
}
