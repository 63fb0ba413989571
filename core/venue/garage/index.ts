/** Fuel, wear and use of the cars. */
export { type FuelEstimate, GAUGE_LEVELS, isLow, tankOf } from './fuel';
export { drivesToCome, type RefuelAdvice, refuelBefore } from './refuel';
export { type CarDay, carDaysOf, faultsLeft, measuredLap, totalOf } from './usage';
export { type WearCounter, wearOf } from './wear';
