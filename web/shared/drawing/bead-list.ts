import type { DriveState } from '@core/journal';

/** One lap as it is drawn. */
export interface Bead {
  readonly fill: 'done' | 'running' | 'open';
  readonly spoiled: boolean;
  /** Granted on top of those sold. */
  readonly extra: boolean;
}

/**
 * The beads of a drive: one a lap due, and one more for each lap driven beyond that.
 *
 * @param done laps that are done and count
 */
export function beadsOf(drive: DriveState, done: number): Bead[] {
  const due = drive.drive.laps + drive.extraLaps;
  const running = drive.stage === 'onCircuit';
  return Array.from({ length: Math.max(due, done) }, (_, place) => ({
    fill: place < done ? 'done' : running && place === done ? 'running' : 'open',
    spoiled: drive.spoiled.has(place + 1),
    extra: place >= drive.drive.laps,
  }));
}

/** "3 of 7 laps, lap 2 spoiled": the beads for people who do not see them. */
export function beadsText(beads: readonly Bead[]): string {
  const done = beads.filter(({ fill }) => fill === 'done').length;
  const spoiled = beads.flatMap((bead, place) => (bead.spoiled ? [place + 1] : []));
  const extra = beads.filter((bead) => bead.extra).length;
  return [
    `${done} of ${beads.length} laps`,
    ...(extra > 0 ? [`${extra} extra`] : []),
    ...(spoiled.length > 0 ? [`lap ${spoiled.join(', ')} spoiled`] : []),
  ].join(', ');
}
