/** A day on which nothing counts: posts that the simulated crew holds. */
export { CREW_STATIONS, crewId, type CrewStation, isByCrew, type Post, postOf, samePost } from './posts';
