import { CALL_KINDS, plainCall, type CallKind } from '@core/track/car';
import { CALL_HOLDS, CALL_MEANINGS, callWords, ordinal } from './driving';
import { coneWords, lookWords, PHASE_WORDS } from './terms';
import { callsIn, type CallWords } from '../guests/common';
import type { GuestWords } from '../guests/guest-words';
import { numbersIn } from '../guests/numbers';

const numbers = numbersIn('en-GB');
const { fixed, lapTime } = numbers;
const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
const laps = (count: number) => `${COUNTS[count] ?? count} lap${count === 1 ? '' : 's'}`;

const CALLS = Object.fromEntries(
  (Object.keys(CALL_KINDS) as CallKind[]).map((kind) => [kind, [callWords(plainCall(kind)), CALL_MEANINGS[kind]]]),
) as unknown as CallWords;

export const ENGLISH: GuestWords = {
  language: 'English',
  locale: 'en-GB',
  numbers,
  results: {
    laps: (count) => (count === 1 ? 'lap' : 'laps'),
    lapsIn: (count, seconds) => `${laps(count)} in ${lapTime(seconds)}`,
    lapsWithoutTime: (count) => `${laps(count)} without a time`,
    lapsOwed: (count) => `Broken off: ${laps(count)} of it ${count === 1 ? 'is' : 'are'} still yours`,
    bestLap: (car) => `best lap, ${car}`,
    gainedMost: 'quicker within one drive',
    withInstructor: (instructor) => `with ${instructor}`,
    best: (seconds) => `best ${lapTime(seconds)}`,
    noCleanLap: 'no clean lap was timed',
    gain: (seconds, withinS) =>
      `${fixed(Math.abs(seconds), 1)} s ${seconds >= 0 ? 'quicker' : 'slower'}, give or take ${fixed(withinS, 1)}`,
    paceIndex: (index, within) => `pace index ${fixed(index, 3)} ± ${fixed(within, 3)}`,
    steady: (spreadS) => `steady within ${fixed(spreadS, 1)} s`,
    good: (things) => `Good: ${things.join(', ')}`,
    workedOn: (faults) => `Worked on: ${faults.join(', ').toLowerCase()}`,
    learned: 'What you can do now',
    noLonger: (fault) => `no longer: ${fault.toLowerCase()}`,
    oneThing: 'One thing for next time',
    gainWithin: 'Gain within each drive',
    paceForTheCar: 'Pace for the car',
    tooFewLaps: 'No drive has enough clean laps for it yet.',
    lap: 'lap',
    index: 'index',
    spoiled: 'spoiled',
    noDriveYet: 'No drive yet today. After the first one this page fills by itself.',
    noSuchGuest: 'There is no such guest on this day.',
    toTakeHome: 'PDF to take home',
    withFriends: 'With friends',
    print: 'Print',
    drives: 'Drives',
    lapsAndMarks: 'Laps and marks',
    noMarks: 'No marks',
    marksAt: (places) => `Marks by corner: ${places.join(', ')}`,
    calledOtherwise: (places) => `Marked at corners that are called otherwise now: ${places.join(', ')}`,
    phase: PHASE_WORDS,
    fault: (fault) => fault,
    goodThing: (text) => text,
  },
  show: {
    slide: {
      welcome: { title: 'Welcome', words: [] },
      seat: {
        title: 'How to sit',
        words: [
          'Closer than on the road: knee bent with the brake pressed hard',
          'Wrists reach the top of the wheel with the shoulders in the seat',
          'Both hands on the wheel, level, all the time',
        ],
      },
      paddles: {
        title: 'Paddles: gears by a finger',
        words: [
          'Right hand pulls: one gear up. Left hand pulls: one gear down',
          'One short pull, one gear; the hands stay where they are',
          'Down only while you brake, up only with the wheel nearly straight',
          'The instructor says when, and which gear. The car refuses what would hurt it',
          'In automatic you leave them alone; a pull by mistake does no harm',
        ],
      },
      eyes: {
        title: 'Look far ahead',
        words: [
          'The car goes where you look',
          'Braking: eyes on the turn-in. Turning: eyes on the apex. At the apex: eyes on the exit',
          'A cone is seen from the corner of the eye',
        ],
      },
      grip: {
        title: 'One grip budget',
        words: [
          'A tyre has so much grip, to share between slowing, pulling and turning',
          'Full braking leaves little to turn with: ease it as you turn. Full cornering leaves nothing for throttle',
          'As the wheel unwinds, the throttle may open',
        ],
      },
      weight: {
        title: 'The weight shifts',
        words: [
          'Braking presses the front wheels down: they turn the car',
          'Throttle presses the rear: the nose grows light',
          'Stability control helps; smooth feet do more',
        ],
      },
      aids: {
        title: 'What the car does for you',
        words: [
          'Anti-lock, in an emergency: brake with all you have; it still steers a little, round an obstacle',
          'Traction control takes power away where the wheels would spin',
          'Stability control brakes single wheels when the car does not go where you steer',
          'Without it, too quick in: the nose pushes wide. Ease the throttle, wait, steer no more',
          'Without it, throttle too soon: the tail steps out. Look where you want to go, ease off, follow with the wheel',
          'None of them makes more grip: too fast is too fast',
        ],
      },
      phases: { title: 'Phases of a corner', words: [] },
      corners: { title: 'Our corners', words: [] },
      cones: { title: 'What the cones say', words: [] },
      calls: { title: 'What we say in the car', words: [] },
      passing: { title: 'Passing', words: [] },
      flags: {
        title: 'Flags',
        words: [
          'Caution: slow down, no passing, be ready to stop',
          'All-stop: brake gently to a standstill at the side, the instructor says what comes next',
          'There are no junctions here: whoever is near you came past the same corner',
        ],
      },
      discomfort: {
        title: 'If you feel unwell',
        words: [
          'Say so at once, at the very first sign',
          'We slow down and come in',
          'The laps that are left are kept for you',
        ],
      },
      own: { title: 'Our own', words: [] },
    },
    question: (question) => question,
    today: (condition) => `Today it is ${condition}`,
    smallerBudget: (condition) => `Today it is ${condition}: the budget is smaller for everybody`,
    circuit: (name, size) => (size ? `${name}: ${Math.round(size.lengthM)} m, ${size.corners} corners` : name),
    brake: { straight: 'Brake, in a straight line', trailed: 'Brake, and ease off into the turn' },
    throttle: {
      none: 'Throttle, as the wheel unwinds',
      maintenance: 'A light throttle, more as the wheel unwinds',
    },
    release: 'Release',
    turnOnce: 'Turn, once',
    apex: 'Apex',
    exit: 'Exit, as far as the road is wide',
    passing: { straights: 'On any straight.', signals: 'Where the instructors agree by hand and lights.' },
    passingNamed: (corners) => `Only where it is named: ${corners.join(', ') || 'nowhere today'}`,
    passed: [
      'You are passed: lift, stay where you are, the hazard lights are on. No need to hurry',
      'You pass: throttle when the instructor says, on the other side, back on the line when it is said',
      'The other seat: the instructors agree, watch the mirrors, say the side and may steady the wheel; you never let go',
      'Afterwards, both: find the line again before you push',
      'In an emergency too: the instructor may steady or steer, and brake where there is a second pedal',
    ],
    corner: (number, direction, apex) => `${ordinal(number)} corner, to the ${direction}; ${apex} apex`,
    lookAt: (what) => `Look at ${what}`,
    givenAway: 'Slow in: it is given away for the straight that follows',
    noExitCone: (inside) =>
      inside
        ? `No exit cone: short straight: stay ${inside}, next turn-in is ${inside}`
        : 'No exit cone: this venue marks none',
    noGearChange: 'No gear change here',
    kerbs: { ride: 'The kerb may be ridden', leave: 'Leave the kerb alone' },
    slippery: (where) => `Slippery: ${where}`,
    roadMarks: (what) => `Road marks: ${what}`,
    lightThrottle: 'A light throttle through the middle',
    mistakes: (what) => `Often wrong: ${what}`,
    look: lookWords,
    cone: coneWords,
    calls: callsIn(CALLS, CALL_HOLDS, { gear: '3rd', where: 'the next place', side: 'left' }),
    drawing: {
      wrist: 'wrist reaches the top',
      knee: 'knee bent, brake pressed hard',
      eyesBraking: 'braking: to the turn-in',
      eyesTurning: 'turning: to the apex',
      eyesAtApex: 'at the apex: to the exit',
      throttle: 'throttle',
      brake: 'brake',
      turn: 'turn',
      frontGrips: 'front grips',
      rearGrips: 'rear grips',
      gearDown: 'one gear down',
      gearUp: 'one gear up',
      noseWide: 'the nose pushes wide',
      tailOut: 'the tail steps out',
      meant: 'meant',
      goes: 'goes',
      lifts: 'lifts, hazard lights on',
      caution: 'caution: slow, no passing',
      allStop: 'all-stop: to the side, stand still',
      lapsKept: 'these laps are kept for you',
    },
  },
  times: {
    title: 'Your day',
    arrive: 'Arrive',
    briefing: 'Class',
    sighting: 'Sighting run',
    drive: (car, count) => `${car}, ${count} ${count === 1 ? 'lap' : 'laps'}`,
    ride: (car, count) => `Ride in ${car}, ${count} ${count === 1 ? 'lap' : 'laps'}`,
    nothingYet: 'Nothing is planned for you yet.',
    mayMove: 'Times can move by some minutes during the day; the desk tells you.',
    plannedAt: (time) => `planned ${time}`,
    changed: 'changed',
  },
};
