import { fact, type Interval } from '@core/values';
import { layOut, paceFactorAt, type Day, type Plan } from '@core/day';
import { randomOf } from '@core/planner';
import { estimateLap, paceFrom, type DrivenLaps, type LapEstimate } from '@core/journal';
import {
  EVEN_RING,
  offAfter,
  releaseAdvice,
  SWAP_FROM,
  swapSaves,
  type ReleaseLimits,
  type Runner,
  type Waiting,
  type WaitingPrices,
} from '@core/live/traffic';
import { LIFT_S, SET_UP, WAIT_S } from '../../demo/crew/chance';
import { Laps } from '../../demo/crew/laps';

/** What a simulated day came to. */
export interface Outcome {
  readonly passes: number;
  /** End of each drive, seconds since midnight. */
  readonly endsS: readonly number[];
  /** Seconds that cars stood ready at the exit, in all. */
  readonly waitedS: number;
  /** Milliseconds of each piece of advice. */
  readonly adviceMs: readonly number[];
}

/** Out as soon as the gap allows, or by the advice at these prices; with foresight it knows how quick everybody will be. */
export type Policy = 'asSoonAsTheGapAllows' | { readonly prices: WaitingPrices; readonly foresight?: boolean };

const MOST_SLACK_S = 600;
/** Advice to hold is asked for again after this long at the latest. */
const ASK_AGAIN_S = 4;

interface Task {
  readonly kind: 'drive' | 'sighting' | 'other';
  readonly id: string;
  readonly startS: number;
  /** Set-up for what goes on the circuit, else the whole. */
  readonly beforeS: number;
  readonly afterS: number;
  /** Each with what it needs after the task until it is free again. */
  readonly needs: readonly { readonly who: string; readonly restS: number }[];
  readonly priorS: number;
  readonly laps: number;
  /** Who drives; nothing on a sighting run. */
  readonly guest: string | undefined;
}

interface Vehicle {
  readonly task: Task;
  readonly readyS: number;
  releasedS: number;
  progress: number;
  lapS: number;
  lostS: number;
  readonly lapTimes: number[];
  lapBeganS: number;
}

/** A class or a refuel. */
function besideTheCircuit(id: string, { startS, endS }: Interval, needs: Task['needs']): Task {
  return { kind: 'other', id, startS, beforeS: endS - startS, afterS: 0, needs, priorS: 0, laps: 0, guest: undefined };
}

function tasksOf(day: Day, plan: Plan): Task[] {
  const schedule = layOut(day, plan);
  const { rules } = day;
  const tasks: Task[] = [];
  const guests = (list: readonly { readonly id: string }[], restS: number) =>
    list.map(({ id }) => ({ who: `guest ${id}`, restS }));
  const crew = (id: string | undefined) => ({ who: `crew ${id}`, restS: 0 });
  for (const occupancy of schedule.briefings) {
    const needs = [crew(occupancy.instructor?.id), ...guests(occupancy.guests, 0)];
    const id = `class ${occupancy.startS}`;
    tasks.push(besideTheCircuit(id, occupancy, needs));
  }
  for (const occupancy of schedule.sightings) {
    const vehicle = { who: `vehicle ${occupancy.sighting.vehicle}`, restS: 0 };
    tasks.push({
      kind: 'sighting',
      id: `run ${occupancy.sighting.vehicle} ${occupancy.releaseS}`,
      startS: occupancy.startS,
      beforeS: rules.sighting.setUpS,
      afterS: rules.sighting.wrapUpS,
      needs: [crew(occupancy.instructor?.id), vehicle, ...guests(occupancy.guests, 0)],
      priorS: occupancy.vehicle!.lapTimeS * paceFactorAt(day, occupancy.releaseS),
      laps: occupancy.lapsDriven,
      guest: undefined,
    });
  }
  for (const occupancy of schedule.drives) {
    const car = { who: `car ${occupancy.planned.car}`, restS: rules.turnaroundS };
    tasks.push({
      kind: 'drive',
      id: occupancy.planned.drive,
      startS: occupancy.startS,
      beforeS: rules.setUpS,
      afterS: rules.wrapUpS,
      needs: [crew(occupancy.planned.instructor), car, ...guests(occupancy.guests, rules.guestRestS)],
      priorS: occupancy.car!.lapTimeS * occupancy.guests[0]!.pace * paceFactorAt(day, occupancy.releaseS),
      laps: occupancy.lapsDriven,
      guest: occupancy.guests[0]!.id,
    });
  }
  for (const occupancy of schedule.refuels) {
    const needs = [{ who: `car ${occupancy.refuel.car}`, restS: 0 }];
    const id = `refuel ${occupancy.refuel.car} ${occupancy.startS}`;
    tasks.push(besideTheCircuit(id, occupancy, needs));
  }
  return tasks.sort((a, b) => a.startS - b.startS);
}

/**
 * Runs a planned day second by second: people, cars and crew are there when their last task has ended, cars come to the
 * exit when they are set up, and are let out by the policy. What the advice knows of a car is its crossings of the line.
 */
export function simulate(day: Day, plan: Plan, policy: Policy, seed: number): Outcome {
  const { rules } = day;
  const firstLap = rules.firstLapFactor ?? 1;
  const foresight = policy !== 'asSoonAsTheGapAllows' && policy.foresight;
  const waitingTasks = tasksOf(day, plan);
  const queues = new Map<string, Task[]>();
  for (const task of waitingTasks) {
    for (const { who } of task.needs) queues.set(who, [...(queues.get(who) ?? []), task]);
  }
  const freeS = new Map<string, number>();
  const chances = new Map<string, Laps>();
  const chanceOf = ({ id, guest }: Task): Laps => {
    const chance = chances.get(id) ?? new Laps(seed, id, guest);
    chances.set(id, chance);
    return chance;
  };
  /** Drives so far, by guest. */
  const driven = new Map<string, DrivenLaps[]>();
  const settingUp: { task: Task; readyS: number }[] = [];
  let queue: Vehicle[] = [];
  let running: Vehicle[] = [];
  const ahead = new Map<string, number>();
  const endsS: number[] = [];
  const adviceMs: number[] = [];
  let [passes, waitedS, lastReleaseS, askAgainS] = [0, 0, -Infinity, 0];

  const end = (task: Task, atS: number) => {
    for (const { who, restS } of task.needs) {
      freeS.set(who, atS + task.afterS + restS);
      queues.get(who)!.shift();
    }
    if (task.kind === 'drive') endsS.push(atS + task.afterS);
  };
  const nextLap = (vehicle: Vehicle) => {
    const lap = Math.floor(vehicle.progress);
    const first = lap === 0 && vehicle.task.kind === 'drive' ? firstLap : 1;
    vehicle.lapS = vehicle.task.priorS * first * chanceOf(vehicle.task).next(lap);
  };
  /** What the plan can spare after a task that would be let out now. */
  const slackOf = ({ priorS, laps, afterS, needs }: Task, nowS: number): number => {
    const endS = nowS + priorS * (laps + firstLap - 1) + afterS;
    const next = needs.flatMap(({ who, restS }) => {
      const after = queues.get(who)![1];
      return after ? [after.startS - endS - restS] : [];
    });
    return Math.max(0, Math.min(MOST_SLACK_S, ...next));
  };
  const lapOf = ({ task, lapTimes }: Vehicle): LapEstimate => {
    if (task.guest === undefined) return estimateLap(task.priorS, 1, []);
    if (foresight) return estimateLap(task.priorS, firstLap, [], { ratio: chanceOf(task).pace, sd: 0.001 });
    const laps = lapTimes.map((lapS, place) => ({ lapS, first: place === 0 }));
    return estimateLap(task.priorS, firstLap, laps, paceFrom(driven.get(task.guest) ?? [], firstLap));
  };
  const waitingOf = (vehicle: Vehicle, nowS: number): Waiting => {
    const { id, kind, laps } = vehicle.task;
    const lap = lapOf(vehicle);
    const slackS = slackOf(vehicle.task, nowS);
    return { id, kind: kind === 'drive' ? 'drive' : 'sighting', vehicle: id, lap, crossings: laps, slackS };
  };
  const shut = (atS: number) => {
    const closed = day.circuit.closures.find(({ from, to }) => from <= atS && atS < to);
    return closed && fact('closed', {}, { untilS: closed.to, reason: closed.reason });
  };

  for (let nowS = day.opens; nowS < day.closes + 7200; nowS++) {
    for (let place = 0; place < waitingTasks.length; place++) {
      const task = waitingTasks[place]!;
      if (task.startS > nowS) break;
      const ready = task.needs.every(({ who }) => queues.get(who)![0] === task && (freeS.get(who) ?? 0) <= nowS);
      if (!ready) continue;
      waitingTasks.splice(place--, 1);
      const [least, most] = SET_UP;
      const spread = task.kind === 'drive' ? least + (most - least) * randomOf(seed, `set up ${task.id}`)() : 1;
      settingUp.push({ task, readyS: nowS + task.beforeS * spread });
    }
    for (let place = 0; place < settingUp.length; place++) {
      const { task, readyS } = settingUp[place]!;
      if (readyS > nowS) continue;
      settingUp.splice(place--, 1);
      if (task.kind === 'other') end(task, nowS);
      else queue.push({ task, readyS: nowS, releasedS: 0, progress: 0, lapS: 1, lostS: 0, lapTimes: [], lapBeganS: 0 });
    }

    const open = shut(nowS) === undefined && running.length < rules.maxCarsOnTrack;
    if (queue.length > 0 && open && nowS >= lastReleaseS + rules.releaseGapS && nowS >= askAgainS) {
      let go = true;
      if (policy !== 'asSoonAsTheGapAllows') {
        const limits: ReleaseLimits = {
          nowS,
          releaseGapS: rules.releaseGapS,
          lastReleaseS,
          maxCarsOnTrack: rules.maxCarsOnTrack,
          firstLapFactor: firstLap,
          shut,
          queue: queue.length,
          prices: policy.prices,
        };
        const runners = running.map((vehicle) => runnerOf(vehicle, nowS, firstLap, lapOf(vehicle)));
        const beganMs = performance.now();
        const [first, second] = queue.map((vehicle) => waitingOf(vehicle, nowS));
        if (first && second && swapSaves([first, second], runners, limits, EVEN_RING) >= SWAP_FROM) {
          queue = [queue[1]!, queue[0]!, ...queue.slice(2)];
        }
        const advice = releaseAdvice(waitingOf(queue[0]!, nowS), runners, limits, EVEN_RING);
        adviceMs.push(performance.now() - beganMs);
        go = advice.go;
        const holdS = advice.best ? advice.best.atS - nowS : ASK_AGAIN_S;
        if (!go) askAgainS = nowS + Math.max(1, Math.min(ASK_AGAIN_S, holdS));
      }
      if (go) {
        const vehicle = queue.shift()!;
        waitedS += nowS - vehicle.readyS;
        [vehicle.releasedS, vehicle.lapBeganS, lastReleaseS, askAgainS] = [nowS, nowS, nowS, 0];
        nextLap(vehicle);
        running.push(vehicle);
      }
    }

    for (const vehicle of running) {
      const rate = vehicle.lostS > 0 ? 0.5 : 1;
      vehicle.lostS = Math.max(0, vehicle.lostS - 0.5);
      const before = Math.floor(vehicle.progress);
      vehicle.progress += rate / vehicle.lapS;
      if (Math.floor(vehicle.progress) > before) {
        vehicle.lapTimes.push(nowS - vehicle.lapBeganS);
        vehicle.lapBeganS = nowS;
        nextLap(vehicle);
      }
    }
    for (let i = 0; i < running.length; i++) {
      for (let j = i + 1; j < running.length; j++) {
        const [a, b] = [running[i]!, running[j]!];
        const key = `${a.task.id} ${b.task.id}`;
        const now = Math.floor(a.progress - b.progress);
        const before = ahead.get(key);
        ahead.set(key, now);
        if (before === undefined || before === now) continue;
        passes += 1;
        const [quick, slow] = now > before ? [a, b] : [b, a];
        quick.lostS += WAIT_S;
        slow.lostS += LIFT_S;
      }
    }
    const off = running.filter(({ progress, task }) => progress >= task.laps);
    if (off.length > 0) {
      running = running.filter((vehicle) => !off.includes(vehicle));
      for (const { task, lapTimes } of off) {
        if (task.guest) {
          const laps = lapTimes.map((lapS, place) => ({ lapS, first: place === 0 }));
          driven.set(task.guest, [...(driven.get(task.guest) ?? []), { priorS: task.priorS, laps }]);
        }
        end(task, nowS);
      }
      askAgainS = 0;
    }
    if (waitingTasks.length + settingUp.length + queue.length + running.length === 0) break;
  }
  return { passes, endsS, waitedS, adviceMs };
}

function runnerOf(vehicle: Vehicle, nowS: number, firstLap: number, lap: LapEstimate): Runner {
  const factor = vehicle.task.kind === 'drive' ? firstLap : 1;
  const laps = vehicle.lapTimes.length;
  const since = (nowS - vehicle.lapBeganS) / (lap.lapS * (laps === 0 ? factor : 1));
  const progress = laps + Math.min(0.995, since);
  const off = offAfter(vehicle.task.laps, EVEN_RING);
  return {
    id: vehicle.task.id,
    kind: vehicle.task.kind === 'drive' ? 'drive' : 'sighting',
    vehicle: vehicle.task.id,
    fromS: nowS,
    progress,
    lap,
    firstLapFactor: factor,
    off,
  };
}
