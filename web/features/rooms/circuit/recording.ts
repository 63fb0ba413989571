import { Injectable, signal } from '@angular/core';
import type { TrackPoint } from '@core/track/circuit';

const KEY = 'joylap.recording';
/** A position that is less sure than this says nothing of a road. */
const LEAST_SURE_M = 25;
/** What was recorded is written down at least so often. */
const KEEP_EVERY = 10;

/** Why no positions come. */
export type NoPositions = 'insecure' | 'none' | 'refused' | 'away';

/** The phone's positions while somebody walks or drives round; kept on the phone, also over a reload. */
@Injectable({ providedIn: 'root' })
export class Recording {
  private watch: number | undefined;
  private readonly kept = signal<readonly TrackPoint[]>(restored());
  readonly points = this.kept.asReadonly();
  readonly running = signal(false);
  /** How sure the last position was, metres. */
  readonly accuracyM = signal<number | undefined>(undefined);
  readonly why = signal<NoPositions | undefined>(undefined);

  start(): void {
    if (!window.isSecureContext) return this.why.set('insecure');
    if (!('geolocation' in navigator)) return this.why.set('none');
    this.why.set(undefined);
    this.running.set(true);
    this.watch = navigator.geolocation.watchPosition(
      ({ coords }) => this.take(coords),
      ({ code, PERMISSION_DENIED }) => {
        this.why.set(code === PERMISSION_DENIED ? 'refused' : 'away');
        if (code === PERMISSION_DENIED) this.stop();
      },
      { enableHighAccuracy: true, maximumAge: 0 },
    );
  }

  stop(): void {
    if (this.watch !== undefined) navigator.geolocation.clearWatch(this.watch);
    this.watch = undefined;
    this.running.set(false);
    this.keep();
  }

  forget(): void {
    this.stop();
    this.kept.set([]);
    localStorage.removeItem(KEY);
  }

  private take({ latitude, longitude, altitude, accuracy }: GeolocationCoordinates): void {
    this.accuracyM.set(accuracy);
    this.why.set(undefined);
    if (accuracy > LEAST_SURE_M) return;
    const point = { latDeg: latitude, lonDeg: longitude, ...(altitude !== null && { zM: altitude }) };
    this.kept.update((points) => [...points, point]);
    if (this.kept().length % KEEP_EVERY === 0) this.keep();
  }

  private keep(): void {
    localStorage.setItem(KEY, JSON.stringify(this.kept()));
  }
}

function restored(): TrackPoint[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as TrackPoint[];
  } catch {
    return [];
  }
}
