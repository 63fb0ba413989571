import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import type { DriveState } from '@core/journal';
import { axisTicks } from './axis-ticks';
import { beadsOf, beadsText } from './bead-list';
import { Beads } from './beads';
import { beadPlaces, silhouette } from './silhouette';

const driveState = (more: Partial<DriveState> = {}): DriveState =>
  ({
    drive: { id: 'd1', cars: ['c1'], laps: 5 },
    stage: 'onCircuit',
    crossings: [],
    spoiled: new Map(),
    extraLaps: 0,
    ...more,
  }) as unknown as DriveState;

describe('Lap beads', () => {
  it('fill as laps are driven, the current one half', () => {
    expect(beadsOf(driveState(), 2).map(({ fill }) => fill)).toEqual(['done', 'done', 'running', 'open', 'open']);
    expect(beadsOf(driveState({ stage: 'planned' }), 0).map(({ fill }) => fill)).toEqual(Array(5).fill('open'));
  });

  it('add one for a lap granted and one for a lap driven beyond', () => {
    expect(beadsOf(driveState({ extraLaps: 1 }), 0).map(({ extra }) => extra)).toEqual([
      false,
      false,
      false,
      false,
      false,
      true,
    ]);
    expect(beadsOf(driveState(), 7).length).toBe(7);
  });

  it('say in words what they show', () => {
    const beads = beadsOf(driveState({ extraLaps: 1, spoiled: new Map([[2, 'traffic']]) }), 3);
    expect(beadsText(beads)).toBe('3 of 6 laps, 1 extra, lap 2 spoiled');
  });

  it('ring a spoiled lap and are read out', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Beads);
    fixture.componentRef.setInput('beads', beadsOf(driveState({ spoiled: new Map([[1, 'flag']]) }), 1));
    await fixture.whenStable();
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg')!;
    expect(svg.querySelectorAll('.bead').length).toBe(5);
    expect(svg.querySelectorAll('.ring').length).toBe(1);
    expect(svg.getAttribute('aria-label')).toContain('lap 1 spoiled');
  });
});

describe('The silhouette of a drive', () => {
  const edges = { startX: 0, releaseX: 20, trackEndX: 80, endX: 100 };

  it('is low while held and high while on the circuit', () => {
    expect(silhouette(edges, 40)).toBe('M0 40V22L20 0H80L100 22V40Z');
  });

  it('holds its beads between release and end of the laps', () => {
    const { places } = beadPlaces(edges, 8);
    expect(places.length).toBe(8);
    expect(places.every(({ x }) => x > 20 && x < 80)).toBeTrue();
    expect(new Set(places.map(({ y }) => y)).size).toBe(1);
  });

  it('puts beads in two rows where one would be too narrow to count', () => {
    const { places, radius } = beadPlaces({ ...edges, trackEndX: 35 }, 8);
    expect(new Set(places.map(({ y }) => y)).size).toBe(2);
    expect(radius * 2).toBeLessThan(35 - 20);
  });
});

describe('The marks of a time axis', () => {
  it('keep their distance', () => {
    expect(axisTicks(8.5 * 3600, 18 * 3600, 900, 60).length).toBeLessThanOrEqual(15);
    expect(axisTicks(9 * 3600, 10 * 3600, 900, 60)).toContain(9.25 * 3600);
  });
});
