import { TestBed } from '@angular/core/testing';
import { toLatLon } from '@core/track/circuit';
import { aDay, aPlan } from '@core/testing/small-day';
import { FakeDay, show } from '../../../testing/fake-day';
import { RecordCircuit } from './record';
import { Recording } from './recording';

/** Twice and a bit round an oval of some 700 m, a position every eight metres. */
const ROUND = Array.from({ length: 190 }, (_, i) => {
  const turn = (i / 85) * 2 * Math.PI;
  return toLatLon({ xM: 140 * Math.cos(turn), yM: 80 * Math.sin(turn) }, { latDeg: 61.9, lonDeg: -6.8 });
});

describe('Recording by the phone', () => {
  let told: PositionCallback;
  let refused: PositionErrorCallback;
  beforeEach(() => {
    localStorage.removeItem('joylap.recording');
    spyOn(navigator.geolocation, 'watchPosition').and.callFake((position, fault) => {
      [told, refused] = [position, fault!];
      return 7;
    });
    spyOn(navigator.geolocation, 'clearWatch');
  });
  afterEach(() => localStorage.removeItem('joylap.recording'));
  const tell = (accuracy: number, from: number, to: number) => {
    for (const { latDeg, lonDeg } of ROUND.slice(from, to)) {
      told({ coords: { latitude: latDeg, longitude: lonDeg, altitude: null, accuracy } } as GeolocationPosition);
    }
  };
  const shown = () => show(RecordCircuit, new FakeDay(aDay(), aPlan(), '09:00'));

  it('makes a circuit of the laps that were walked, and counts only what is sure', async () => {
    const { press, text, http, fixture } = await shown();
    await press('Start at the start line');
    tell(5, 0, 100);
    tell(90, 100, 101);
    tell(5, 101, 190);
    await fixture.whenStable();
    expect(text()).toContain('2× round');
    await press('Stop');
    expect(text()).toMatch(/7\d\d m, \d bends?, 2 laps averaged/);
    await press('Save it as the circuit');
    http.expectOne('/api/circuit').flush({ version: 4, circuit: null });
    const { body } = http.expectOne({ method: 'PUT', url: '/api/circuit' }).request;
    expect([body.version, body.circuit.origin.latDeg.toFixed(1)]).toEqual([4, '61.9']);
  });

  it('is kept on the phone over a reload, and goes on from there', async () => {
    TestBed.inject(Recording).start();
    tell(5, 0, 60);
    TestBed.inject(Recording).stop();
    TestBed.resetTestingModule();
    const { text } = await shown();
    expect(text()).toContain('Go on recording');
    expect(TestBed.inject(Recording).points().length).toBe(60);
  });

  it('says what to do where the phone may not say where it is', async () => {
    const { press, text, fixture } = await shown();
    await press('Start at the start line');
    refused({ code: 1, PERMISSION_DENIED: 1 } as GeolocationPositionError);
    await fixture.whenStable();
    expect(text()).toContain('allow it in the browser’s settings');
  });
});
