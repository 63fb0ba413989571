import type { FaultEntry } from '@core/people/coaching';
import type { InstructorFields, RosterEntry } from '@core/people/crew';

/** The code of the demo's manager is "larkmere"; this is its hash. */
export const DEMO_MANAGER_HASH = '$2b$10$fFUec8JlysyNPnGOYuqEt.QwIwIGipuu9oDcDt3bNwv5NTMOVGqPu';

/** Everybody's licence for the fiercest car is renewed every year; some have not been to the course yet. */
const OSKARRA = 'c12';
const until = (date: string) => ({ cars: { [OSKARRA]: date } });
export const HOLDS_UNTIL: Readonly<Record<string, InstructorFields['holdsUntil']>> = {
  i1: until('2027-06-01'),
  i2: until('2028-03-31'),
  i3: until('2027-05-27'),
  i4: until('2027-05-27'),
  i5: { ...until('2027-05-27'), brief: '2027-05-28' },
  i7: until('2028-03-31'),
  i8: until('2027-05-27'),
  i9: until('2027-05-27'),
  i10: until('2027-05-27'),
};

/** What else they are trusted with: to lead a train, to spot, to drive guests, to keep the way across the apron. */
export const TRUSTED_WITH: Readonly<
  Record<string, Partial<Pick<InstructorFields, 'leadCar' | 'spotter' | 'rides' | 'blocker'>>>
> = {
  i1: { leadCar: true, rides: true },
  i2: { leadCar: true, spotter: true, rides: true },
  i3: { leadCar: true, spotter: true, rides: true, blocker: true },
  i4: { spotter: true, rides: true, blocker: true },
  i5: { leadCar: true, spotter: true, blocker: true },
  i6: { spotter: true, blocker: true },
};

const at = (hours: number) => hours * 3600;
/** The two weeks after the demo day. */
export const ROSTER: readonly RosterEntry[] = [
  {
    id: 'demo-odile-away',
    instructor: 'i1',
    kind: 'absence',
    from: '2027-05-26',
    to: '2027-05-30',
    reason: 'knee, may take a week longer',
  },
  { id: 'demo-lucia-away', instructor: 'i7', kind: 'absence', from: '2027-05-29', to: '2027-06-01' },
  {
    id: 'demo-piers-hours',
    instructor: 'i8',
    kind: 'absence',
    from: '2027-05-24',
    to: '2027-05-24',
    hours: { from: at(9), to: at(11) },
    reason: 'talk with the bank',
  },
  {
    id: 'demo-tomasz-late',
    instructor: 'i2',
    kind: 'shift',
    from: '2027-05-25',
    to: '2027-05-27',
    hours: { from: at(12), to: at(18) },
  },
  {
    id: 'demo-sanna-course',
    instructor: 'i10',
    kind: 'absence',
    from: '2027-05-27',
    to: '2027-05-28',
    reason: 'course for the Oskarra',
  },
];

/** What the venue has put into the vocabulary. */
export const OWN_FAULTS: readonly FaultEntry[] = [
  {
    id: 'looks-at-the-lake',
    phase: 'look',
    weight: 2,
    name: 'Looks at the lake',
    cause: 'the water begins where the road ends',
    does: 'the car drifts to the outer edge',
    cure: 'pick the shed roof beyond the corner, and keep the eyes on it',
    say: 'Shed roof',
    sayOtherwise: 'The lake will still be there after this lap',
  },
];
