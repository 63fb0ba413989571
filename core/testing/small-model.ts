/** A car file with what has to be in it and no more; everything else is assumed. */
export const SMALL_MODEL = {
  format: 'joylap-car' as const,
  version: 1 as const,
  massKg: 1400,
  peakPowerKW: 300,
  peakPowerRpm: 6500,
  maxRpm: 7200,
  gears: [3.2, 2.2, 1.6, 1.25, 1],
  finalDrive: 3.8,
  tyreRadiusM: 0.33,
};
