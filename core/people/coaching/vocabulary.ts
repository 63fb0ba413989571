import { fact, type Fact } from '../../values';
import { phase, type FaultEntry, type Phase } from './fault-entry';

type Row = readonly [
  id: string,
  phase: Phase,
  weight: number,
  name: string,
  cause: string,
  does: string,
  cure: string,
  say: string,
  sayOtherwise: string,
  from?: readonly string[],
];

const ROWS = [
  ['eyes-near', 'look', 3, 'Eyes too near', 'the bonnet or the next cone holds the eyes', 'every input comes late and in steps', 'eyes to the next place before this one is reached', 'Eyes up, far ahead', 'Where do you want to be in two seconds? Look there'],
  ['eyes-on-cone', 'look', 2, 'Stares at a cone', 'afraid to miss the mark', 'the car drifts to the cone', 'see the cone from the corner of the eye', 'Past it, not at it', 'It is behind you already'],
  ['no-look-through', 'look', 2, 'Does not look through the corner', 'the head stays straight', 'turns late and adds lock', 'turn the head before the hands', 'Head, then hands', 'Point your nose where you want to be'],
  ['brakes-early', 'brake', 1, 'Brakes too early', 'the speed frightens', 'rolls to the turn-in and speeds up again', 'count to the cone, then press', 'Wait… wait… brake', 'One breath longer'],
  ['brakes-late', 'brake', 3, 'Brakes too late', 'too sure, or eyes too near', 'carries speed into the turn and runs wide', 'press at the cone, every lap the same', 'Brake at {brake}', 'Meet {brake} on the pedal', ['eyes-near']],
  ['brakes-soft', 'brake', 2, 'Presses too softly', 'as on the road', 'the braking gets long and ends in the turn', 'firm at once, then less', 'Firm at once', 'Press as if you meant it'],
  ['brakes-too-long', 'brake', 2, 'Brakes too long', 'no trust that the speed is right', 'arrives too slowly and wants the throttle early', 'let go when the speed is right, not when it feels safe', 'That is enough', 'Trust it, foot up'],
  ['shift-uncalled', 'gear', 1, 'Shifts uncalled', 'the ear from the road', 'a shove in mid-corner', 'only on the call', 'Leave the gear', 'Hands still, I call it'],
  ['shift-in-turn', 'gear', 2, 'Shifts in the turn', 'braked too late to shift before', 'unsettles the car', 'shift while it is straight', 'Gear before the turn', 'Brake, gear, then turn', ['brakes-late']],
  ['paddle-lost', 'gear', 1, 'Loses the paddle', 'the hands wander on the wheel', 'no shift when it is called', 'hands level, always', 'Hands level', 'Fingertips keep the paddle company'],
  ['release-abrupt', 'release', 2, 'Lets the brake go abruptly', 'foot jumps to the throttle', 'the nose grows light and will not turn', 'ease off as the wheel turns', 'Ease it off', 'As slowly as the wheel'],
  ['both-pedals', 'release', 3, 'Brake and throttle together', 'two feet, or in a hurry', 'the car does neither', 'one foot, one pedal', 'One pedal', 'Left foot flat on the floor'],
  ['turns-early', 'turnIn', 3, 'Turns in early', 'looks at the apex too soon, or is too fast to wait', 'apex too early, runs out of road', 'turn at the cone and not before', 'Wait for it… turn', 'Count one more, then turn', ['brakes-late', 'eyes-near']],
  ['turns-late', 'turnIn', 1, 'Turns in late', 'waits for the cone to pass', 'a tight, hasty turn', 'look to the apex in time', 'Turn at {turnIn}', 'Begin at {turnIn}', ['no-look-through']],
  ['turns-twice', 'turnIn', 2, 'Turns in steps', 'guesses the line', 'the car never settles', 'one movement, then wait', 'Once, then still', 'Draw it with one stroke', ['eyes-near']],
  ['jerks-wheel', 'turnIn', 2, 'Jerks the wheel', 'late, or tense hands', 'the front slides before it grips', 'slow hands', 'Slow hands', 'As if the wheel were full of water', ['turns-late']],
  ['misses-apex-wide', 'apex', 2, 'Wide of the apex', 'too fast in, or still on the brake', 'no way to the exit', 'slower in, brake done before', 'Closer, touch it', 'Rub {apex} with your door', ['brakes-late', 'turns-late']],
  ['apex-early', 'apex', 3, 'Apex too early', 'turned in early', 'pushed out at the exit', 'later turn-in', 'Later apex', 'Let {apex} come to you', ['turns-early']],
  ['lifts-in-turn', 'balance', 3, 'Lifts in mid-corner', 'frightened by the push', 'the tail grows light', 'steady foot', 'Steady foot', 'Nothing moves', ['brakes-late']],
  ['coasts', 'balance', 1, 'Rolls without a pedal', 'unsure between the two', 'slow and unsettled', 'a light throttle where the venue wants one', 'Hold it', 'Carry it with your toe'],
  ['throttle-early', 'throttle', 3, 'Throttle too early', 'entered too slowly, and wants to make up for it', 'pushes wide', 'wait until the wheel unwinds', 'Wait… wheel straight… throttle', 'Throttle and wheel on one string', ['brakes-too-long', 'brakes-early']],
  ['throttle-hard', 'throttle', 2, 'Throttle like a switch', 'excited', 'the driven wheels slide', 'squeeze', 'Squeeze it', 'Like a lemon, slowly'],
  ['throttle-late', 'throttle', 1, 'Throttle too late', 'waits until it is straight', 'loses the straight', 'begin as the wheel unwinds', 'Squeeze as it unwinds', 'Unwind and press, together'],
  ['holds-in', 'exit', 2, 'Holds the car in', 'does not use the road', 'the front scrubs, speed is lost', 'let it run out to the edge', 'Let it run', 'Give it the whole road'],
  ['runs-wide', 'exit', 3, 'Runs wide at the exit', 'throttle too early or apex too early', 'off the road', 'later apex, later throttle', 'Ease the foot, open the wheel', 'Point it first, then throttle', ['throttle-early', 'apex-early']],
  ['drifts-short-straight', 'exit', 2, 'Drifts out where there is no exit cone', 'habit', 'on the wrong side for the next corner', 'stay on the inside', 'Stay inside, the next one comes', 'Nothing stands there: stay inside'],
  ['slide-late', 'slide', 3, 'Catches a slide late', 'eyes on the slide', 'spins', 'look where you want to go, hands follow', 'Look there, open the wheel', 'Eyes to the road, the hands will know', ['eyes-near', 'throttle-hard']],
  ['slide-overcaught', 'slide', 2, 'Keeps the wheel turned after a slide', 'frozen hands', 'snaps to the other side', 'open and back at once', 'And back', 'Straight as soon as it grips'],
  ['hands-wander', 'whole', 1, 'Hands wander on the wheel', 'as on the road', 'no measure of the lock', 'hands level, always on it', 'Hands level', 'Hands stay where they began'],
  ['rough', 'whole', 2, 'Rough from pedal to pedal', 'in a hurry', 'the car rocks', 'everything slower', 'Smoother', 'No spilled coffee'],
  ['lost-after-pass', 'whole', 1, 'Loses the line after being passed', 'watches the other car', 'misses the next cones', 'find the line again before you push', 'Find the line first', 'One quiet corner, then again'],
  ['too-much-too-soon', 'whole', 2, 'Builds up too quickly', 'wants the best lap on the second', 'errors pile up', 'a little more each lap', 'A little more, each lap', 'One notch back, then build'],
] as const satisfies readonly Row[]; // prettier-ignore

/** A fault that every venue's vocabulary begins with. */
export type CommonFault = (typeof ROWS)[number][0];

/** The vocabulary to begin with; a venue adds its own. Links lead to a phase before, where the cause often lies. */
export const VOCABULARY: readonly FaultEntry[] = (ROWS as readonly Row[]).map(
  ([id, of, weight, name, cause, does, cure, say, sayOtherwise, from]) => ({
    id,
    phase: of,
    weight,
    name,
    cause,
    does,
    cure,
    say,
    sayOtherwise,
    ...(from && { from: [...from] }),
  }),
);

/** The vocabulary of a venue: the common one, and its own entries, which replace those with the same id. */
export function vocabularyOf(own: readonly FaultEntry[]): ReadonlyMap<string, FaultEntry> {
  return new Map([...VOCABULARY, ...own].map((entry) => [entry.id, entry]));
}

/** What is wrong with the links of an entry. */
export type LinkFault =
  | Fact<'linkedToItself', { fault: string }>
  | Fact<'linkToNothing', { fault: string }>
  | Fact<'linkedBackwards', { fault: string }, { cause: string; effect: string }>;

/**
 * What is wrong with the links of an entry: a fault may come from another one of its own phase or of one before, or of the
 * whole drive. Nothing where they are right.
 */
export function linkFault(entry: FaultEntry, vocabulary: ReadonlyMap<string, FaultEntry>): LinkFault | undefined {
  for (const id of entry.from ?? []) {
    const cause = vocabulary.get(id);
    if (id === entry.id) return fact('linkedToItself', { fault: id });
    if (!cause) return fact('linkToNothing', { fault: id });
    const wholeDrive = entry.phase === 'whole' || cause.phase === 'whole';
    if (!wholeDrive && phase.options.indexOf(cause.phase) > phase.options.indexOf(entry.phase)) {
      return fact('linkedBackwards', { fault: id }, { cause: cause.name, effect: entry.name });
    }
  }
  return undefined;
}

/** What was good; one of these, or own words. */
export const GOOD_THINGS = [
  'brave on the brakes',
  'smooth hands',
  'looked far ahead',
  'waited with the throttle',
  'used the whole road',
  'listened',
  'built up lap by lap',
  'calm when passed',
] as const;
export type GoodThing = (typeof GOOD_THINGS)[number];
