import type { DayContext, DayState, DriveState } from '@core/journal';
import type { Seen, Sight } from '../../demo/crew/scene';
import type { CircuitTraffic } from './circuit-traffic';

/** What people at the line see where there is no timing loop; from what was counted before they began to look. */
export class Eyes implements Sight {
  private readonly seen = new Map<string, Seen>();

  constructor(private readonly traffic: CircuitTraffic) {}

  /** Looks on from one moment to another. */
  watch(context: DayContext, state: DayState, fromS: number, toS: number): void {
    for (const { atS, body } of this.traffic.drive(context, state, fromS, toS)) {
      if (body.kind !== 'crossing') continue;
      const { transponder } = body;
      const drive = [...state.drives.values()].find(({ car, stage }) => car === transponder && stage === 'onCircuit');
      const run = state.sightings.get(transponder);
      if (drive) this.seen.set(keyOf(drive), { laps: this.ofDrive(drive).laps + 1, lastS: atS });
      else if (run)
        this.seen.set(runKey(transponder, run), { laps: this.ofRun(transponder, run).laps + 1, lastS: atS });
    }
  }

  ofDrive(drive: DriveState): Seen {
    const { crossings } = drive;
    return this.seen.get(keyOf(drive)) ?? { laps: crossings.length, lastS: crossings.at(-1)?.atS };
  }

  ofRun(vehicle: string, run: Run): Seen {
    return this.seen.get(runKey(vehicle, run)) ?? { laps: run.crossings.length, lastS: run.crossings.at(-1) };
  }
}

type Run = Parameters<Sight['ofRun']>[1];
const keyOf = ({ drive }: DriveState): string => drive.id;
/** The same vehicle runs several times a day. */
const runKey = (vehicle: string, { sinceS }: Run): string => `${vehicle} ${sinceS}`;
