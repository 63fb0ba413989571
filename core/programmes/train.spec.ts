import fc from 'fast-check';
import { TRAIN } from '../testing/group-days';
import { asksOnLap, cornerAsks } from './asks';
import { followS, spacingOf } from './spacing';
import { ordersToCome, spacingPhase, trainNow, type TrainKnown } from './train';

const START = ['ada', 'ben', 'cleo', 'dan'];
/** Drives a train to its end, the order changing as the table says. */
function driven(programme: typeof TRAIN, start: readonly string[], until = Infinity): TrainKnown {
  let known: TrainKnown = { start, order: start, done: [] };
  while (known.done.length < until) {
    const [now, then] = ordersToCome(programme, known);
    if (!now) break;
    known = { start, order: then ?? now, done: [...known.done, now] };
  }
  return known;
}

describe('A train', () => {
  it('says at each moment which lap it is, who is first, and who pulls aside next', () => {
    const begun: TrainKnown = { start: START, order: START, done: [] };
    expect(trainNow(TRAIN, begun)).toEqual({
      phase: 'warmUp',
      lap: 1,
      laps: 1,
      order: START,
      next: { inLaps: 2, aside: ['ada'], order: ['ben', 'cleo', 'dan', 'ada'], restores: false },
    });
    const third = driven(TRAIN, START, 3);
    expect(third.order).toEqual(['ben', 'cleo', 'dan', 'ada']);
    expect(trainNow(TRAIN, third)).toEqual(jasmine.objectContaining({ phase: 'laps', lap: 3, laps: 8 }));
  });

  it('cools down in the order in which it began', () => {
    const last = driven(TRAIN, START, 9);
    expect(trainNow(TRAIN, last).phase).toBe('coolDown');
    expect(last.order).toEqual(START);
    expect(trainNow(TRAIN, driven(TRAIN, START)).phase).toBe('over');
  });

  it('that has lost a car goes on fairly with those who remain', () => {
    // After warming up and three laps (two led by Ada, one by Ben) Ben has gone.
    const before = driven(TRAIN, START, 4);
    const left = { ...before, order: ['cleo', 'dan', 'ada'] };
    const toCome = ordersToCome(TRAIN, left);
    expect(toCome.length).toBe(10 - 4);
    const led = [...left.done.slice(1), ...toCome.slice(0, -1)].map(([first]) => first);
    const counts = ['ada', 'cleo', 'dan'].map((guest) => led.filter((first) => first === guest).length);
    expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
  });

  it('with one car left needs no change, and with none has nothing to come at pace', () => {
    const before = driven(TRAIN, START, 4);
    expect(trainNow(TRAIN, { ...before, order: ['dan'] }).next).toBeUndefined();
    expect(trainNow(TRAIN, { ...before, order: [] }).next).toBeUndefined();
  });

  it('always has as many laps before it as are left, whoever drops out when', () => {
    fc.assert(
      fc.property(fc.nat({ max: 9 }), fc.subarray(START, { minLength: 1 }), (laps, remain) => {
        const before = driven(TRAIN, START, laps);
        const left = { ...before, order: before.order.filter((guest) => remain.includes(guest)) };
        const toCome = ordersToCome(TRAIN, left);
        expect(toCome.length).toBe(10 - laps);
        for (const order of toCome) expect([...order].sort()).toEqual([...left.order].sort());
      }),
    );
  });
});

describe('The spacing of a train', () => {
  const SPEEDS = { slowestMps: 15, fastestMps: 45 };

  it('in lengths of a car is metres, and seconds at the slowest and the fastest place', () => {
    const start = spacingOf({}, 'start', 5, SPEEDS);
    expect(start.metres).toEqual([27, 31.5]);
    expect(start.slowestS).toBeCloseTo(2.1);
    expect(start.fastestS).toBeCloseTo(0.6);
    expect(start.trainM).toBe(5 * 4.5 + 4 * 31.5);
  });

  it('is the venue’s own where it has one', () => {
    const spacing = { start: [8, 10], practised: [3, 4], coolDown: [6, 8] } as const;
    const own = {
      spacing: {
        ...spacing,
        start: [8, 10] as [number, number],
        practised: [3, 4] as [number, number],
        coolDown: [6, 8] as [number, number],
      },
    };
    expect(spacingOf(own, 'practised', 3, SPEEDS).lengths).toEqual([3, 4]);
  });

  it('is seconds from car to car on average: the distance and the car itself', () => {
    // 6.5 lengths and the car's own of 4.5 m at 22.5 m/s.
    expect(followS({}, 'start', 22.5)).toBeCloseTo((7.5 * 4.5) / 22.5);
  });

  it('is that of the start, then of people in step with each other, then of the cool-down laps', () => {
    const phases = Array.from({ length: 10 }, (_, lap) => spacingPhase(TRAIN, lap));
    expect(phases.slice(0, 3)).toEqual(['start', 'start', 'start']);
    expect(new Set(phases.slice(3, 9))).toEqual(new Set(['practised']));
    expect(phases[9]).toBe('coolDown');
  });
});

describe('What a train is asked for at a corner', () => {
  const book = [
    {
      name: 'Winch',
      steps: [
        { fromLap: 1, brake: 'lift' as const },
        { fromLap: 3, brake: 'full' as const },
      ],
    },
    { name: 'Ramp', steps: [{ fromLap: 1, brake: 'light' as const }] },
    { name: 'Crane' },
  ];

  it('comes from the corner book, or from the group where that says otherwise', () => {
    expect(cornerAsks({}, book)).toEqual([
      { corner: 'Winch', fromLap: 1, step: 'coast' },
      { corner: 'Winch', fromLap: 3, step: 'full' },
      { corner: 'Ramp', fromLap: 1, step: 'lightBrake' },
    ]);
    const own = cornerAsks({ asks: [{ corner: 'Winch', fromLap: 5, step: 'full' }] }, book);
    expect(own.map(({ corner, step }) => [corner, step])).toEqual([
      ['Winch', 'full'],
      ['Ramp', 'lightBrake'],
    ]);
  });

  it('is on each lap the last step that has begun', () => {
    const asks = cornerAsks({}, book);
    const onLap = (lap: number) => asksOnLap(asks, lap).map(({ corner, step }) => `${corner} ${step}`);
    expect(onLap(2)).toEqual(['Winch coast', 'Ramp lightBrake']);
    expect(onLap(3)).toEqual(['Winch full', 'Ramp lightBrake']);
    expect(asksOnLap([...asks].reverse(), 3).find(({ corner }) => corner === 'Winch')!.step).toBe('full');
  });
});
