import { TestBed } from '@angular/core/testing';
import { DiscStrip } from './disc-strip';

describe('The order as a strip', () => {
  it('keeps the lap that is driven in the middle where there is no room for all', async () => {
    const fixture = TestBed.createComponent(DiscStrip);
    const strip = fixture.nativeElement as HTMLElement;
    strip.style.width = '360px';
    const laps = Array.from({ length: 40 }, (_, lap) => (lap % 2 === 0 ? ['a', 'b'] : ['b', 'a']));
    fixture.componentRef.setInput('laps', laps);
    fixture.componentRef.setInput(
      'labels',
      laps.map((_, lap) => String(lap + 1)),
    );
    fixture.componentRef.setInput('discs', [
      { id: 'a', name: 'Ada', initial: 'A', colour: '#aa2222' },
      { id: 'b', name: 'Ben', initial: 'B', colour: undefined },
    ]);
    for (const here of [3, 20, 39]) {
      fixture.componentRef.setInput('here', here);
      await fixture.whenStable();
      const frame = strip.querySelector('.here')!.getBoundingClientRect();
      const { left, right } = strip.getBoundingClientRect();
      expect(frame.left).withContext(`lap ${here}`).toBeGreaterThanOrEqual(left);
      expect(frame.right).withContext(`lap ${here}`).toBeLessThanOrEqual(right);
      // Large enough to be read.
      expect(strip.querySelector('circle')!.getBoundingClientRect().width).toBeGreaterThan(20);
    }
  });
});
