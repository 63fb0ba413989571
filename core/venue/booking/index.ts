/** Bookings: who comes on a day, and what was sold. */
export { gateAnswers, type GateAnswers, gateQuestion, type GateQuestion, homeCar, type HomeCar } from './answers';
export { knownAnswers, withAnswers } from './known-answers';
export { type BookedDrive, bookingFields, type BookingFields, type PaceClass } from './booking-fields';
export { joinedBooking, splitBooking, type SplitFault } from './split';
