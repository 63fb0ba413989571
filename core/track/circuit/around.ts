/** A place, or a station, of a closed line, with whole laps left out: from 0 to less than one lap; in the unit of `lap`. */
export const around = (place: number, lap: number): number => ((place % lap) + lap) % lap;
