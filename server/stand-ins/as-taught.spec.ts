import { carFile } from '@core/track/car/at-start';
import { circuitFile } from '@core/track/circuit/at-start';
import { mapOf } from '@core/track/circuit';
import { square } from '@core/testing/circuits';
import { SMALL_MODEL } from '@core/testing/small-model';
import { asTaught } from './as-taught';

const LOOP = circuitFile.parse({
  name: 'Loop',
  line: square(400, 40, 6),
  corners: [{ name: 'Ramp', atM: 180 }],
  pitExitM: 40,
});
const MAP = mapOf(LOOP);
const FLEET = [{ id: 'c1', name: 'Dunnock Cup', number: 1, level: 1, model: carFile.parse(SMALL_MODEL) }];

describe('The circuit as it is driven by guests who do what they are told', () => {
  const { map, leftM } = asTaught(LOOP, MAP, FLEET);

  it('has a speed along the whole lap, in the order of the road, slow in corners and quick on the straights', () => {
    const speeds = map.speeds!;
    expect(speeds.length).toBeGreaterThan(100);
    expect(speeds.length).toBeLessThanOrEqual(1900);
    const places = speeds.map(({ atM }) => atM);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    const kmh = speeds.map((one) => one.kmh);
    expect(Math.min(...kmh)).toBeGreaterThan(20);
    expect(Math.max(...kmh)).toBeGreaterThan(1.5 * Math.min(...kmh));
  });

  it('is never quicker than the car could go, and brakes evenly before a corner', () => {
    const quick = Math.max(...map.speeds!.map(({ kmh }) => kmh));
    const slowest = map.speeds!.reduce((a, b) => (b.kmh < a.kmh ? b : a));
    const before = map.speeds!.filter(({ atM }) => atM < slowest.atM && atM > slowest.atM - 60);
    const falls = before.slice(1).map(({ kmh }, i) => kmh - before[i]!.kmh);
    expect(falls.every((change) => change < 2)).toBeTrue();
    expect(quick).toBeLessThan(300);
  });

  it('uses the road: it lies off the middle somewhere, and never beside the road', () => {
    const offsets = Array.from({ length: 200 }, (_, i) => leftM(i / 200));
    expect(Math.max(...offsets.map(Math.abs))).toBeGreaterThan(1);
    expect(Math.max(...offsets.map(Math.abs))).toBeLessThan(6);
  });

  it('is the map as it was where no car is known', () => {
    expect(asTaught(LOOP, MAP, []).map.corners).toEqual(MAP.corners);
  });
});
