import type { Surface, Zone } from '@core/programmes';
import { PAN, STATIONS } from '@core/testing/group-days';
import { show } from '../../../testing/fake-day';
import { dayWith } from '../../../testing/group-here';
import { Lead } from '../../phone/lead/lead';
import { ZoneEditor } from './zone-editor';
import { sizeOf } from './zone-plan';

const SLICK: Zone = { kind: 'slick', station: 'Slalom', xM: 5, yM: 5, widthM: 40, heightM: 20 };

describe('Zones of a surface', () => {
  it('are drawn to scale, on ground that has room for all of them', () => {
    expect(sizeOf([SLICK])).toEqual({ width: 100, height: 60 });
    expect(sizeOf([{ ...SLICK, xM: 150, heightM: 90 }])).toEqual({ width: 192, height: 97 });
  });

  it('are added, moved and stretched by keyboard, named after a station, and taken away', async () => {
    const saved: (readonly Zone[])[] = [];
    const surface: Surface = { ...PAN, zones: [SLICK] };
    const { fixture } = await show(ZoneEditor, dayWith({}), { surface, open: true });
    fixture.componentInstance.saved.subscribe((zones) => saved.push(zones));
    const dialog = document.querySelector('[role=dialog]')!;
    const press = async (name: string) => {
      [...dialog.querySelectorAll('button')].find((it) => it.textContent?.trim() === name)!.click();
      await fixture.whenStable();
    };
    const key = (name: string, shiftKey = false) =>
      dialog.querySelector('.plan')!.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey }));
    await press('Start gate');
    for (let step = 0; step < 10; step++) key('ArrowLeft');
    key('ArrowDown', true);
    await fixture.whenStable();
    await press('Save');
    expect(saved.at(-1)).toEqual([SLICK, { kind: 'gate', xM: 0, yM: 4, widthM: 2, heightM: 15 }]);
    key('Delete');
    await fixture.whenStable();
    await press('Save');
    expect(saved.at(-1)).toEqual([SLICK]);
  });
});

describe('Stations on a surface with zones', () => {
  it('say who is where, who watches, who drives now and which way round', async () => {
    const day = dayWith({
      programme: { ...STATIONS, teams: 1, runsEach: 2 },
      ...{ surface: 'pan', carCount: 1, roles: [{ role: 'spotter', count: 1 }] },
    });
    day.view.update((view) => ({ ...view, day: { ...view.day, surfaces: [{ ...PAN, zones: [SLICK] }] } }));
    const { text, press, element } = await show(Lead, day, { group: 'one' });
    await press('3 of 3 sit in the cars');
    await press('Let out');
    expect(element.querySelector('jl-zone-plan svg')!.getAttribute('aria-label')).toContain('Slalom, slick: team 1');
    expect(text()).toContain('Behind the leader, lap 1 of 1: 1 Car 1, then 2 Car 2, then 3 Car 3');
    expect(text()).toContain('At the wheel: Ada and Ben and Cleo.');
    await press('Next round: all walk on');
    expect(text()).toContain('Round 1 of 3');
    await press('Next round: all walk on');
    expect(text()).toContain('Round 2 of 3');
    expect(text()).toContain('to the left');
    for (const name of ['Ada Brook', 'Ben Carr', 'Cleo Dahl']) {
      await press(`Run of ${name} at Circle`);
      await press('Passed');
    }
    expect(text()).toContain('to the right');
    expect(day.refused).toEqual([]);
  });
});
