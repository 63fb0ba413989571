import type { GroupState } from '@core/journal';
import {
  asksOnLap,
  ordersToCome,
  spacingPhase,
  trainNow,
  type FollowProgramme,
  type NextChange,
  type TrainNow,
} from '@core/programmes';
import { lapsText } from '@words';
import { changeCalls, CORNER_STEP_WORDS, TRAIN_PHASE_WORDS, type RadioLine, type TrainNames } from '@words/en/train';
import type { Disc } from './disc-strip';
import type { GroupFacts, GroupMember } from './group-facts';

/** A train that runs, as the screens of its leader and of the pit exit tell it. */
export interface TrainTold extends TrainNow {
  /** "At pace, lap 3 of 8". */
  readonly title: string;
  readonly changeNow: boolean;
  readonly calls: readonly RadioLine[];
  /** When places change next. */
  readonly nextWords: string;
  /** How near the cars follow now. */
  readonly spacing: string;
  /** What is asked at the corners on this lap. */
  readonly asks: readonly string[];
  /** What the loop counts, where that is something else than the leader has counted. */
  readonly differ: string | undefined;
  /** Orders by lap, those that are done first, and what stands above each. */
  readonly strip: { readonly orders: readonly (readonly string[])[]; readonly labels: readonly string[] };
}

export function discsOf(members: readonly GroupMember[]): Disc[] {
  return members.map(({ id, name, first, colour }) => ({ id, name, colour, initial: first.charAt(0) }));
}

/** What the leader calls the guests and their cars. */
export function namesIn(members: readonly GroupMember[]): TrainNames {
  const known = new Map(members.map((member) => [member.id, member]));
  return { guest: (id) => known.get(id)?.first ?? id, colour: (id) => known.get(id)?.colourName };
}

export function trainTold(facts: GroupFacts, state: GroupState): TrainTold {
  const programme = state.group.programme as FollowProgramme;
  const known = { start: state.start, order: state.order, done: state.laps.map(({ order }) => order) };
  const now = trainNow(programme, known);
  const spacing = facts.train?.spacing[spacingPhase(programme, known.done.length)];
  const asks = now.phase === 'laps' ? asksOnLap(facts.train?.asks ?? [], now.lap) : [];
  const orders = [...known.done, ...ordersToCome(programme, known)];
  const { warmUpLaps, laps } = programme;
  const label = (lap: number) =>
    lap < warmUpLaps ? 'w' : lap < warmUpLaps + laps ? String(lap - warmUpLaps + 1) : 'c';
  return {
    ...now,
    title: `${TRAIN_PHASE_WORDS[now.phase]}${now.laps > 0 ? `, lap ${now.lap} of ${now.laps}` : ''}`,
    changeNow: now.next?.inLaps === 0,
    calls: now.next ? changeCalls(now.next, programme, namesIn(facts.members)) : [],
    nextWords: now.next ? nextWords(now.next) : 'No change is left.',
    spacing: spacing ?? '',
    asks: asks.map(({ corner, step }) => `${corner}: ${CORNER_STEP_WORDS[step]}`),
    differ: differWords(state),
    strip: { orders, labels: orders.map((_, lap) => label(lap)) },
  };
}

function nextWords({ inLaps, restores }: NextChange): string {
  const when = inLaps === 0 ? 'At the end of this lap' : inLaps === 1 ? 'In one more lap' : `In ${inLaps} more laps`;
  return `${when}${restores ? ', so that the first order is back' : ''}`;
}

/** The loop is ahead of the hand for a moment with each lap: only a difference of two, or one behind, is told. */
function differWords({ seen, laps }: GroupState): string | undefined {
  const [loop, hand] = [seen.length, laps.length];
  if (loop === 0 || loop === hand || loop === hand + 1) return undefined;
  return `The loop has seen ${lapsText(loop)}, ${hand} ${hand === 1 ? 'is' : 'are'} counted here.`;
}
