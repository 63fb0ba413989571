import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { spokenDuration } from '@core/values';
import { roundsOf, runNow, sharedRuns, spottersOf, stationS, teamsOf, type LowGripProgramme } from '@core/programmes';
import { DayService } from '../../../shared/data/day.service';
import { firstName } from '../../rooms/groups/group-facts';
import { PanPlan } from '../../rooms/groups/pan-plan';
import type { LedGroup } from './led-group';

/** The stations of a low-grip course: which team is where now and next, who has passed what, and one phrase that stops all. */
@Component({
  selector: 'jl-stations-of-group',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PanPlan],
  templateUrl: './stations.html',
  styleUrl: './led-part.scss',
})
export class Stations {
  private readonly data = inject(DayService);
  readonly led = input.required<LedGroup>();
  /** Rounds are told by the clock until somebody says otherwise. */
  private readonly said = signal<number | undefined>(undefined);
  /** The guest and station that are being entered, with what was counted. */
  protected readonly about = signal<{ guest: string; station: string; spins: number; stops: number } | undefined>(
    undefined,
  );
  protected readonly programme = computed(() => this.led().state.group.programme as LowGripProgramme);
  protected readonly phrase = computed(() => this.programme().stopPhrase ?? 'Everybody stop');

  private readonly table = computed(() => roundsOf(this.programme().teams, this.programme().stations));
  private readonly eachS = computed(() => {
    const { state } = this.led();
    return stationS(this.programme(), state.group.members.length, Math.max(1, state.cars.length), 1);
  });
  /** For how long the group is out, seconds. */
  private readonly outS = computed(() => {
    const nowS = this.data.nowS();
    return nowS - (this.led().state.releasedS ?? nowS);
  });
  protected readonly round = computed(() => {
    const { leadLaps, leadLapS, walkS } = this.programme();
    const goneS = this.outS() - leadLaps * leadLapS;
    const byClock = Math.max(0, Math.floor(goneS / (this.eachS() + walkS)));
    return Math.min(this.table().length - 1, this.said() ?? byClock);
  });
  /** The laps behind the leader come first, until somebody says that the rounds have begun. */
  protected readonly leading = computed(() => {
    const { facts } = this.led();
    const { leadLaps, leadLapS } = this.programme();
    if (this.said() !== undefined || this.outS() >= leadLaps * leadLapS) return undefined;
    const order = [...(facts.leadCar ? [facts.leadCar] : []), ...facts.sharedCars].join(', then ');
    return `Behind the leader, lap ${Math.floor(this.outS() / leadLapS) + 1} of ${leadLaps}: ${order}`;
  });
  protected readonly roundWords = computed(
    () => `Round ${this.round() + 1} of ${this.table().length}, ${spokenDuration(this.eachS())} at each station`,
  );

  /** Each station with the team that is there, and what its people have done there. */
  protected readonly stations = computed(() => {
    const { state, facts } = this.led();
    const { stations, teams } = this.programme();
    const members = teamsOf(facts.members.length, teams);
    const now = this.table()[this.round()]!;
    const spotters = facts.crew.filter(({ role }) => role === 'spotter').map(({ who }) => firstName(who));
    const at = spottersOf(stations.length, spotters.length);
    return stations.map((station, place) => {
      const team = now.indexOf(place);
      const spotter = spotters[at[place] ?? -1];
      const people = (members[team] ?? []).map((number) => facts.members[number]!);
      return {
        ...station,
        place,
        team: team < 0 ? undefined : team + 1,
        spotter,
        headWords: [
          team < 0 ? 'free' : `team ${team + 1}`,
          ...(spotter === undefined ? [] : [`watched by ${spotter}`]),
          ...(station.aids === undefined ? [] : [AIDS[station.aids]]),
        ].join(', '),
        turn: turnWords(this.led(), this.programme(), station, members[team] ?? []),
        people: people.map((member) => {
          const of = state.members.get(member.id);
          const runs = (of?.runs ?? []).filter((run) => run.station === station.name);
          const spins = runs.reduce((sum, run) => sum + run.spins, 0);
          const passed = runs.some((run) => run.passed);
          return {
            ...member,
            passed,
            words:
              runs.length === 0
                ? 'no run yet'
                : `${passed ? 'passed' : 'not passed'}, ${runs.length} runs, ${spins} spins`,
          };
        }),
      };
    });
  });
  protected readonly pausing = computed(() => {
    const now = this.table()[this.round()]!;
    return now.flatMap((station, team) => (station === undefined ? [`Team ${team + 1}`] : []));
  });
  protected readonly zones = computed(() => {
    const { surface } = this.led().state.group;
    return this.data.day()?.surfaces?.find(({ id }) => id === surface)?.zones ?? [];
  });
  protected readonly watching = computed(() =>
    this.led()
      .facts.crew.map(({ title, who }) => `${title}: ${who}`)
      .join(', '),
  );
  protected readonly stopped = computed(() => this.led().state.stopped);
  protected readonly recovery = computed(() => {
    const { recovery } = this.programme();
    return recovery
      ? `${recovery.vehicle} pulls it out, some ${spokenDuration(recovery.takesS)}; the others wait in the safety zone, engines on.`
      : 'The others wait in the safety zone, engines on, until it is pulled out.';
  });

  private get group(): string {
    return this.led().facts.id;
  }

  protected goRound(by: number): void {
    const now = this.leading() === undefined ? this.round() : -1;
    this.said.set(Math.max(0, Math.min(this.table().length - 1, now + by)));
  }

  protected begin(guest: string, station: string): void {
    this.about.set({ guest, station, spins: 0, stops: 0 });
  }

  protected more(what: 'spins' | 'stops'): void {
    this.about.update((one) => one && { ...one, [what]: one[what] + 1 });
  }

  protected done(passed: boolean): void {
    const one = this.about();
    if (one && this.data.record({ kind: 'stationRun', group: this.group, passed, ...one })) this.about.set(undefined);
  }

  /** The gate is opened by somebody who knows better, who says why. */
  protected openGate(guest: string, station: string, reason: string): void {
    this.data.record({ kind: 'stationOpened', group: this.group, guest, station, reason });
  }

  protected stop(reason: string): void {
    this.data.record({ kind: 'groupStopped', group: this.group, reason });
  }

  protected goOn(): void {
    this.data.record({ kind: 'groupGoes', group: this.group });
  }

  protected end(): void {
    this.data.record({ kind: 'groupEnded', group: this.group });
  }
}

/** Who of a team drives next at a station, and who waits; on a circle also which way round. */
function turnWords(
  { state, facts }: LedGroup,
  { teams, runsEach }: LowGripProgramme,
  { name, kind }: LowGripProgramme['stations'][number],
  team: readonly number[],
): string {
  if (team.length === 0) return '';
  const people = team.map((number) => facts.members[number]!);
  const done = people.map(({ id }) => (state.members.get(id)?.runs ?? []).filter((run) => run.station === name).length);
  const cars = Math.max(1, Math.floor(state.cars.length / teams));
  const run = runNow(sharedRuns(people.length, cars, runsEach), done);
  if (!run) return 'All have had their runs.';
  const named = (numbers: readonly number[]) => numbers.map((number) => people[number]!.first).join(' and ');
  const way = kind === 'circle' ? (done[run.drives[0]!]! % 2 === 0 ? ', to the left' : ', to the right') : '';
  const waits = run.waits.length > 0 ? ` Waits in the safety zone: ${named(run.waits)}.` : '';
  return `At the wheel: ${named(run.drives)}${way}.${waits}`;
}

const AIDS = { on: 'aids on', part: 'aids in part', off: 'aids off' } as const;
