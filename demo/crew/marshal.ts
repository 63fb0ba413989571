import type { SightingOccupancy } from '@core/day';
import { circuitShut, type DriveState } from '@core/journal';
import { crossingsDue } from '@core/traffic';
import { FORGOTTEN, ROLL_IN_S, SET_UP } from './chance';
import { gathered } from './order';
import type { Deed, Scene } from './scene';

/** A vehicle that is ready at the pit exit. */
export type AtExit =
  | { readonly kind: 'drive'; readonly drive: DriveState; readonly readyS: number }
  | { readonly kind: 'sighting'; readonly run: SightingOccupancy; readonly guests: string[]; readonly readyS: number };

/** Says who of those at the exit is let out now, if anybody is. */
export type LetOut = (scene: Scene, queue: readonly AtExit[]) => AtExit | undefined;

const EXIT = { station: 'pitExit', by: 'Pit exit' } as const;

/** Cars that are set up come to the exit, are let out, counted and brought in. */
export function* atPitExit(scene: Scene, letOut: LetOut): Iterable<Deed> {
  const { state, nowS, draw, context } = scene;
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
  for (const drive of state.drives.values()) yield* countAndBringIn(scene, drive);
  for (const [vehicle, { crossings, sinceS }] of state.sightings) {
    const due = crossings.length >= context.day.rules.sighting.laps;
    if (due && nowS >= (crossings.at(-1) ?? sinceS) + 20) yield { ...EXIT, fields: { kind: 'sightingEnded', vehicle } };
  }
}

function* countAndBringIn({ state, context, nowS, draw, between }: Scene, it: DriveState): Iterable<Deed> {
  if (it.stage !== 'onCircuit') return;
  const drive = it.drive.id;
  const { loop = 0 } = it.count;
  const last = it.count.marks.findLast(({ source }) => source === 'loop');
  // A tap that is forgotten is forgotten for good; the loop knows better.
  const taken = it.count.marks.filter(({ source }) => source === 'hand').length;
  if (last && loop > taken && draw(`tap ${drive} ${loop}`) >= FORGOTTEN.lap && nowS >= last.atS + 1) {
    yield { ...EXIT, fields: { kind: 'lapCounted', drive, source: 'hand' } };
  }
  const due = crossingsDue(context, it);
  if (loop < due || !last || nowS < last.atS + between(`in ${drive}`, ROLL_IN_S)) return;
  if (draw(`sees ${drive}`) >= FORGOTTEN.in) yield { ...EXIT, fields: { kind: 'broughtIn', drive } };
  else if (nowS >= last.atS + 80) {
    const by = state.crew.get(it.instructor ?? '')?.instructor.name ?? 'Instructor';
    yield { station: 'cars', by, fields: { kind: 'parked', drive } };
  }
}

/** Who is ready to be let out, in the order in which they came to be. */
export function queueAt(scene: Scene): AtExit[] {
  const { state, context, nowS, between, ripe } = scene;
  const { rules } = context.day;
  const queue: AtExit[] = [];
  for (const drive of state.drives.values()) {
    if (drive.stage !== 'seated' || drive.seatedS === undefined) continue;
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

/** Whether the venue's rules let anybody out now. */
export function mayLetOut({ state, context, nowS }: Scene, lastReleaseS: number | undefined): boolean {
  const { rules } = context.day;
  const out = [...state.drives.values()].filter(({ stage }) => stage === 'onCircuit' || stage === 'standing').length;
  if (out + state.sightings.size >= rules.maxCarsOnTrack) return false;
  if (lastReleaseS !== undefined && nowS < lastReleaseS + rules.releaseGapS) return false;
  return circuitShut({ ...state, timeS: nowS }, context) === undefined;
}

/** The last time at which anything was let out. */
export function lastReleaseOf({ state }: Scene): number | undefined {
  const outs = [
    ...[...state.drives.values()].flatMap(({ releasedS }) => releasedS ?? []),
    ...[...state.sightings.values()].map(({ sinceS }) => sinceS),
  ];
  return outs.length > 0 ? Math.max(...outs) : undefined;
}
