import fc from 'fast-check';
import { centreLineOf } from './centre-line';
import { circuitFaults } from './faults';
import { circuitOfDrawing } from './drawn';
import { cornersOf } from './corners';

describe('A circuit that is drawn', () => {
  const ring = (radiusM: number, count: number) =>
    Array.from({ length: count }, (_, i) => ({
      xM: radiusM * Math.cos((2 * Math.PI * i) / count),
      yM: radiusM * Math.sin((2 * Math.PI * i) / count),
    }));

  it('is a smooth ring through its places, in their order, as long as it was drawn', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 400 }), fc.integer({ min: 8, max: 40 }), (radiusM, count) => {
        const circuit = circuitOfDrawing({ name: ' Loop ', points: ring(radiusM, count), widthM: 10 })!;
        expect(circuit.name).toBe('Loop');
        expect(circuitFaults(circuit)).toEqual([]);
        const { lengthM } = centreLineOf(circuit.line, 3);
        expect(Math.abs(lengthM / (2 * Math.PI * radiusM) - 1)).toBeLessThan(0.01);
        expect(circuit.line[0]).toEqual(jasmine.objectContaining({ xM: radiusM, leftM: 5, rightM: 5 }));
      }),
      { numRuns: 30 },
    );
  });

  it('has corners where it bends', () => {
    const points = [
      [0, 0],
      [300, 0],
      [380, 80],
      [380, 200],
      [300, 280],
      [0, 280],
      [-80, 200],
      [-80, 80],
    ].map(([xM, yM]) => ({ xM: xM!, yM: yM! }));
    const circuit = circuitOfDrawing({ name: '', points, widthM: 12 })!;
    expect(circuit.name).toBe('Circuit');
    expect(cornersOf(centreLineOf(circuit.line, 3)).length).toBeGreaterThanOrEqual(2);
  });

  it('is none of fewer places than a ring needs', () => {
    expect(circuitOfDrawing({ name: 'Loop', points: ring(100, 3), widthM: 10 })).toBeUndefined();
  });
});
