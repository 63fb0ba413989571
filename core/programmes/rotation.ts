/** How teams go round the stations of a low-grip course, and how the people of a team share its cars. */

/** The members of each team by their numbers, in the order in which they are listed, as even as can be. */
export function teamsOf(members: number, teams: number): number[][] {
  const split: number[][] = [];
  let next = 0;
  for (let team = 0; team < teams; team++) {
    const size = Math.floor((members + teams - 1 - team) / teams);
    split.push(Array.from({ length: size }, () => next++));
  }
  return split;
}

/**
 * Which station each team is at in each round, `table[round][team]`; undefined where a team pauses, as one does where there are
 * more teams than stations. No station has two teams at once, and every team comes to every station once.
 */
export function rotationTable(teams: number, stations: number): (number | undefined)[][] {
  const rounds = Math.max(teams, stations);
  return Array.from({ length: rounds }, (_, round) =>
    Array.from({ length: teams }, (__, team) => {
      const at = (team + round) % rounds;
      return at < stations ? at : undefined;
    }),
  );
}

/**
 * The rounds of a low-grip course: exercises first, and the full course only once a team has been at all of them. While one
 * team is on the course, the others are at an exercise again, as far as there are enough.
 */
export function roundsOf(teams: number, stations: readonly { readonly kind: string }[]): (number | undefined)[][] {
  const all = stations.map((_, place) => place);
  const courses = all.filter((place) => stations[place]!.kind === 'course');
  const exercises = all.filter((place) => !courses.includes(place));
  const placed = (table: (number | undefined)[][], of: readonly number[]) =>
    table.map((round) => round.map((at) => (at === undefined ? undefined : of[at])));
  if (courses.length === 0 || exercises.length === 0) return rotationTable(teams, stations.length);
  const again = rotationTable(teams, courses.length).map((round, row) => {
    let waiting = 0;
    return round.map((at) => {
      if (at !== undefined) return courses[at];
      const place = waiting++;
      return place < exercises.length ? exercises[(place + row) % exercises.length] : undefined;
    });
  });
  return [...placed(rotationTable(teams, exercises.length), exercises), ...again];
}

/** One run of a team at a station: who drives which of its cars, and who waits. */
export interface SharedRun {
  /** Numbers of the people of the team at the wheel, by car. */
  readonly drives: readonly number[];
  readonly waits: readonly number[];
}

/**
 * The runs of a team at one station. Everybody drives as often, and nobody waits for more runs in a row than it takes the others
 * to drive once. Where the numbers do not come out even, a car stands in the last run.
 *
 * @param people in the team, at least one
 * @param cars that the team has; more than people stand
 */
export function sharedRuns(people: number, cars: number, runsEach: number): SharedRun[] {
  const wheels = Math.min(cars, people);
  const all = Array.from({ length: people }, (_, who) => who);
  const turns = Array.from({ length: people * runsEach }, (_, turn) => turn % people);
  const runs: SharedRun[] = [];
  for (let at = 0; at < turns.length; at += wheels) {
    const drives = turns.slice(at, at + wheels);
    runs.push({ drives, waits: all.filter((who) => !drives.includes(who)) });
  }
  return runs;
}

/**
 * Which of the spotters watches each station, `spotters[station]`: one each where there are enough, and otherwise neighbours
 * share one.
 */
export function spottersOf(stations: number, spotters: number): (number | undefined)[] {
  return Array.from({ length: stations }, (_, at) =>
    spotters === 0 ? undefined : Math.min(spotters - 1, Math.floor((at * Math.min(spotters, stations)) / stations)),
  );
}

/**
 * The run that a team is in at a station: the first that somebody has still to drive.
 *
 * @param done runs that each of the team has driven there
 */
export function runNow(runs: readonly SharedRun[], done: readonly number[]): SharedRun | undefined {
  const left = [...done];
  return runs.find(({ drives }) => drives.filter((who) => --left[who]! < 0).length > 0);
}
