/** The cars that a venue has. */
export { carFields, type CarFields, isInFleet, listLapPrice, modelledCars, plannedCar } from './car-fields';
export { CAR_KINDS, type CarKind } from './car-kinds';
export {
  betterFrom,
  type BetterFrom,
  carId,
  namedCars,
  starterCar,
  starterColour,
  starterSet,
  stillAssumed,
  venueOfCars,
  type VenueOfCars,
} from './starter-set';
