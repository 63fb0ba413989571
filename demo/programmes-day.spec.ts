import { checkPlan } from '@core/rules';
import { inEnglish } from '@core/testing/in-english';
import { PlayedDay } from './crew/play';
import { programmesBookings, PROGRAMMES_DATE, programmesGroups, SATURDAY } from './programmes-day';
import { firstPlan } from './seed';
import { larkmereDay } from './testing/larkmere-day';

describe('Larkmere’s day of other ways to drive', () => {
  const day = larkmereDay(PROGRAMMES_DATE, programmesBookings(SATURDAY), programmesGroups(SATURDAY));
  const plan = firstPlan(day);

  it('has a place for every group, ride and drive, and breaks no rule', () => {
    expect(checkPlan(day, plan).violations.map(inEnglish(day).violation)).toEqual([]);
    expect([plan.unplanned, plan.unplannedGroups]).toEqual([[], []]);
    expect(plan.groups!.map(({ group }) => group).sort()).toEqual(['p-convoy', 'p-oval', 'p-pan']);
    expect(plan.drives.filter(({ drive }) => drive.startsWith('P-R')).length).toBe(6);
  });

  it('can be played to its end', () => {
    const it = new PlayedDay(day, plan, { seed: 5 }, day.opens - 1800);
    while (it.nowS < day.closes + 1800) it.step();
    const state = it.state();
    expect([...state.groups.values()].map(({ stage }) => stage)).toEqual(['over', 'over', 'over']);
    const left = [...state.drives.values()].filter(
      ({ stage, guest }) => stage !== 'done' && !state.guests.get(guest.id)!.gone,
    );
    expect(left.map(({ drive }) => drive.id)).toEqual([]);
  });
});
