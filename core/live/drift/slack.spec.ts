import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { driftOf } from './drift';
import { keyOf } from './expected';
import { slackOf } from './slack';

const MINUTE_S = 60;
const guest = (id: string, car: string) => aGuest({ id, name: id, drives: [{ id: `d-${id}`, cars: [car], laps: 5 }] });

/** Two guests in two cars with two instructors: neither follows the other. */
const apart = {
  guests: [guest('g1', 'c1'), guest('g2', 'c2')],
  cars: [aCar(), aCar({ id: 'c2' })],
  instructors: [anInstructor(), anInstructor({ id: 'i2' })],
};
const first = drive('10:00', { drive: 'd-g1' });

function slack(of: Parameters<typeof aDay>[0], second: Parameters<typeof drive>): number {
  const day = aDay({ ...apart, ...of });
  const it = writtenJournal(
    day,
    aPlan({ drives: [first, drive(second[0], { drive: 'd-g2', car: 'c2', instructor: 'i2', ...second[1] })] }),
  );
  return slackOf(it.context, driftOf(it.context, it.state('09:30')), keyOf.drive('d-g1'));
}

describe('The time that a plan can spare after a drive', () => {
  // Out at 10:00, 5 laps of 80 s and 4 min of wrap-up: over at about 10:10:40.
  const OVER_S = at('10:10:40');

  it('is ten minutes at most, also where nothing follows', () => {
    expect(slack({}, ['10:30', {}])).toBe(600);
  });

  it('ends where its instructor begins the next drive', () => {
    // Set-up of the next drive begins 4 min before 10:18.
    const spare = slack({}, ['10:18', { instructor: 'i1' }]);
    expect(spare).toBe(at('10:14') - OVER_S);
  });

  it('ends a turnaround before its car is needed', () => {
    const day = { guests: [guest('g1', 'c1'), guest('g2', 'c1')] };
    expect(slack(day, ['10:20', { car: 'c1' }])).toBe(at('10:16') - aDay().rules.turnaroundS - OVER_S);
  });

  it('leaves the instructor the meal that lies between', () => {
    const meal = { from: at('10:00'), to: at('11:00'), durationS: 20 * MINUTE_S };
    const instructors = [anInstructor({ meal }), anInstructor({ id: 'i2' })];
    // From 10:11 to 10:36 it can be eaten in 20 min: 5 min and 20 s are left.
    expect(slack({ instructors }, ['10:40', { instructor: 'i1' }])).toBe(at('10:36') - 20 * MINUTE_S - OVER_S);
  });

  it('ends where the circuit closes', () => {
    const { circuit } = aDay();
    const closures = [{ from: at('10:08'), to: at('10:30'), reason: 'quiet' }];
    const spare = slack({ circuit: { ...circuit, closures } }, ['11:00', {}]);
    expect(spare).toBe(at('10:08') - (OVER_S - aDay().rules.wrapUpS));
  });

  it('is nothing for what the drift does not know', () => {
    const it = writtenJournal(aDay(), aPlan());
    expect(slackOf(it.context, driftOf(it.context, it.state('09:30')), 'drive nobody')).toBe(0);
  });
});
