import type { BrakingCustom, CallSettings, CarFile, CircuitStudy, CornerCalls, FleetCar, LapFault } from '@core/car';
import type { Circuit } from '@core/circuit';

/** What the screens and the thread that reckons circuits say to each other. */

export type CircuitQuestion =
  | {
      readonly kind: 'study';
      readonly id: number;
      readonly circuit: Circuit;
      readonly fleet: readonly FleetCar[];
      readonly paces: readonly number[];
      readonly grip: number;
      readonly braking: BrakingCustom;
    }
  | {
      readonly kind: 'calls';
      readonly id: number;
      readonly circuit: Circuit;
      readonly model: CarFile;
      readonly pace: number;
      readonly grip: number;
      readonly settings: CallSettings;
    };

export type CircuitAnswer =
  | { readonly kind: 'study'; readonly id: number; readonly study: CircuitStudy; readonly tookMs: number }
  | {
      readonly kind: 'calls';
      readonly id: number;
      readonly corners: readonly CornerCalls[];
      readonly lapTimeS: number | undefined;
      readonly fault: LapFault | undefined;
    };
