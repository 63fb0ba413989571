/**
 * How a day differs from its plan: the one model of chance of the simulated days, of the demo's morning and of its crew.
 * Figures of our own, from what people at such venues say of their days; the reasons stand in `docs/demo.md`.
 */

/** Guests: most come early, some late, few not at all. */
export const ARRIVALS = {
  lateShare: 0.08,
  lateMeanS: 6 * 60,
  lateMostS: 30 * 60,
  earlyMostS: 8 * 60,
  noShowShare: 0.015,
};
/** When the desk gives up a guest who has not come. */
export const NO_SHOW_AFTER_S = 50 * 60;
/** Each of waiver, licence and helmet takes between these. */
export const PAPER_S = [20, 60] as const;
/** From the last debrief to the desk's last word. */
export const LEAVES_S = [4 * 60, 15 * 60] as const;

/** Classes take so much longer or shorter (standard deviation of the share), and begin after people have sat down. */
export const CLASS_SD = 0.05;
export const SIT_DOWN_S = [10, 70] as const;

/**
 * Set-up, wrap-up and turnaround, as shares of what the rules allow for them: a venue has its figures from what it took
 * in the mean, so that with the walk to the car the mean is what is allowed.
 */
export const SET_UP = [0.7, 1.15] as const;
export const WRAP_UP = [0.75, 1.2] as const;
export const TURNAROUND = [0.6, 1.35] as const;
/** From the moment at which car, guest and instructor are free to the guest in the seat. */
export const WALK_S = [3, 30] as const;
/** From the line to the way in, and on to the stall. */
export const ROLL_IN_S = [8, 16] as const;
export const PARK_S = [45, 80] as const;
export const REFUEL = [0.9, 1.15] as const;

/** A radio is tested within so long; one lap of a train against the next; runs at a station that are passed at once. */
export const RADIO_S = [15, 90] as const;
export const GROUP_LAP_SD = 0.02;
export const STATION_PASSED = 0.75;

/** The garage goes round so long before the opening and the closing, from car to car. */
export const ROUNDS_BEFORE_S = 1300;
export const A_ROUND_S = 60;

/**
 * A guest's own pace against the booking, the same in every car, and what is another in each drive; one lap against the
 * next, the first lap, and what is gained with each lap.
 */
export const GUEST_PACE_SD = 0.06;
export const DRIVE_PACE_SD = 0.036;
export const LAP_SD = 0.025;
export const FIRST_LAP_SD = 0.05;
export const GAIN_PER_LAP = 0.006;
/** What a pass costs: the slower one lifts, the quicker one waits for it. */
export const LIFT_S = 3;
export const WAIT_S = 1.5;

/** Taps that are forgotten: a lap by the marshal, the way in, the end of a debrief, and after how long somebody notices. */
export const FORGOTTEN = { lap: 0.03, in: 0.04, debrief: 0.04, check: 0.1, spoiled: 0.3, asked: 0.15 };
/** What guests answer at the gate, as shares of those who say yes. */
export const ANSWERS = { glasses: 0.35, sick: 0.15, fast: 0.3 };
/** Of all answers in class so many are wrong, and of those so many are told with their guest's name. */
export const MISREAD = 0.06;
export const NAMED = 0.75;
/** Who is not there so long after the time of the class is sent for, and found within this. */
export const MISSED_AFTER_S = 60;
export const FOUND_S = [60, 180] as const;
export const NOTICED_AFTER_S = 5 * 60;
/** A lap that a pass has spoiled is marked after this. */
export const SPOILED_S = [5, 40] as const;
/** Counts that differ are settled after this. */
export const SETTLES_AFTER_S = 8;

/** Trouble, for each drive: a car breaks down, a guest feels unwell; and how long that lasts. */
export const TROUBLE = { breakdown: 0.008, unwell: 0.01 };
export const BREAKDOWN_S = [25 * 60, 60 * 60] as const;
export const UNWELL_S = [15 * 60, 40 * 60] as const;

/** How long a class or a run waits for people who are not there. */
export const PATIENCE_S = 3 * 60;
/** How long an instructor waits for a guest who has not come, before going on with the next. */
export const INSTRUCTOR_WAITS_S = 10 * 60;
/** A drive for which everybody is there begins so much before its time: guests are called a quarter of an hour ahead. */
export const EARLY_S = 5 * 60;

/** What beginners do most. */
export const MARKED = [
  'turns-early',
  'eyes-near',
  'brakes-too-long',
  'throttle-early',
  'holds-in',
  'brakes-soft',
  'hands-wander',
  'release-abrupt',
];
