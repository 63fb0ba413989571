import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { carFile } from '@core/track/car/at-start';
import { carOf, isLap, LapModel, racingLine, teachingLine, type Lap, type LineName, type Pace } from '@core/track/car';
import { centreLineOf, cornersOf, type DrivenLine } from '@core/track/circuit';
import { faultLine } from '@core/values';
import { formatOf, readCircuit } from '@exchange/circuit-import';
import { BY_ID, wordsIn } from '@words';
import { BadInput, EXIT, numberOption, readFileAs, runCommand, textOf } from './files';

const USAGE =
  'usage: npm run lap -- --circuit FILE --car FILE [--line centre|racing|teaching] [--pace P | --professional] ' +
  '[--grip 0.8] [--step 2] [--width LEFT,RIGHT] [--start LAT,LON] [--json] [--out PROFILE.csv]';

const PROFILE_COLUMNS = 's_m,x_m,y_m,offset_m,kappa_1pm,v_mps,gear,ax_mps2,ay_mps2,throttle,brake,t_s';

const LINES: readonly LineName[] = ['centre', 'racing', 'teaching'];

function pairOption(name: string, text: string | undefined): [number, number] | undefined {
  if (text === undefined) return undefined;
  const numbers = text.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (numbers.length !== 2 || numbers.some((value) => !Number.isFinite(value))) {
    throw new BadInput([`--${name}: expected two numbers with a comma, got "${text}"`]);
  }
  return [numbers[0]!, numbers[1]!];
}

runCommand(() => {
  const { values } = parseArgs({
    options: {
      circuit: { type: 'string' },
      car: { type: 'string' },
      line: { type: 'string', default: 'racing' },
      pace: { type: 'string' },
      professional: { type: 'boolean', default: false },
      grip: { type: 'string' },
      step: { type: 'string' },
      width: { type: 'string' },
      start: { type: 'string' },
      json: { type: 'boolean', default: false },
      out: { type: 'string' },
    },
  });
  if (values.circuit === undefined || values.car === undefined) throw new BadInput([USAGE]);
  const name = LINES.find((one) => one === values.line);
  if (!name) throw new BadInput([`--line: expected centre, racing or teaching, got "${values.line}"`]);
  if (values.pace !== undefined && values.professional) {
    throw new BadInput(['--pace and --professional exclude each other']);
  }
  const pace: Pace = values.professional ? 'professional' : (numberOption('pace', values.pace, 0.3, 5) ?? 1);
  const grip = numberOption('grip', values.grip, 0.2, 1.2) ?? 1;
  const stepM = numberOption('step', values.step, 0.1, 20) ?? 2;

  const { car } = carOf(readFileAs(values.car, carFile));
  const format = formatOf(values.circuit);
  if (!format) throw new BadInput([`${values.circuit}: expected a file named .geojson, .json, .csv or .gpx`]);
  const read = readCircuit(textOf(values.circuit), format, {
    width: pairOption('width', values.width),
    start: pairOption('start', values.start),
    carWidthM: car.widthM,
  });
  if (!read.ok) throw new BadInput(read.faults.map((fault) => `${values.circuit}: ${faultLine(fault)}`));

  const centre = centreLineOf(read.circuit.line, stepM);
  // The lines are found at two metres, whatever the step of the lap, so that the step does not move them.
  const stations = centreLineOf(read.circuit.line, Math.min(2, centre.lengthM / 100));
  const line: DrivenLine =
    name === 'centre'
      ? centre
      : name === 'racing'
        ? racingLine(stations, car, stepM)
        : teachingLine(stations, car, read.circuit.corners, stepM);
  const lap = new LapModel(car, line).lap(pace, grip);
  if (!isLap(lap)) {
    const at = lap.atM === undefined ? '' : `at ${Math.round(lap.atM)} m: `;
    throw new BadInput([`${values.car}: ${at}${wordsIn('en', BY_ID).lapObstacle(lap.reason)}`]);
  }
  if (values.out !== undefined) {
    const profile = profileCsv(lap);
    try {
      writeFileSync(values.out, profile);
    } catch (error) {
      throw new BadInput([`${values.out}: can't be written (${(error as NodeJS.ErrnoException).code})`]);
    }
  }
  const report = reportOf(lap);
  if (values.json) process.stdout.write(`${JSON.stringify(report)}\n`);
  else
    process.stdout.write(`${[...sentencesOf(report), ...read.assumed.map((text) => `assumed: ${text}`)].join('\n')}\n`);
  return EXIT.good;
});

function reportOf(lap: Lap) {
  const { line } = lap;
  const round = (value: number, decimals: number) => Number(value.toFixed(decimals));
  return {
    lengthM: round(line.lengthM, 2),
    lapTimeS: round(lap.lapTimeS, 4),
    topSpeedKmh: round(lap.topSpeedKmh, 2),
    slowestKmh: round(lap.slowestKmh, 2),
    fuelL: round(lap.fuelL, 4),
    brakeHeatMJ: round(lap.brakeHeatMJ, 4),
    gearChanges: lap.changes.length,
    corners: cornersOf(line).map(({ number, apexM, direction, radiusM }) => {
      const station = Math.round(apexM / line.stepM) % line.xM.length;
      return {
        number,
        atM: round(line.centreM[station]!, 1),
        direction,
        radiusM: round(radiusM, 1),
        apexKmh: round(lap.speedMps[station]! * 3.6, 1),
      };
    }),
  };
}

function sentencesOf(report: ReturnType<typeof reportOf>): string[] {
  const minutes = Math.floor(report.lapTimeS / 60);
  const seconds = (report.lapTimeS - 60 * minutes).toFixed(2).padStart(5, '0');
  return [
    `lap            ${minutes}:${seconds}  over ${report.lengthM} m`,
    `speed          ${report.slowestKmh} to ${report.topSpeedKmh} km/h`,
    `fuel           ${report.fuelL} l`,
    `brake heat     ${report.brakeHeatMJ} MJ`,
    `gear changes   ${report.gearChanges}`,
    ...report.corners.map(
      ({ number, atM, direction, radiusM, apexKmh }) =>
        `corner ${String(number).padStart(2)}      ${direction.padEnd(5)} at ${atM} m, radius ${radiusM} m, ${apexKmh} km/h`,
    ),
  ];
}

function profileCsv(lap: Lap): string {
  const { line } = lap;
  const rows = Array.from(line.xM, (xM, i) =>
    [
      (i * line.stepM).toFixed(3),
      xM.toFixed(4),
      line.yM[i]!.toFixed(4),
      line.offsetM[i]!.toFixed(4),
      line.curvature[i]!.toFixed(7),
      lap.speedMps[i]!.toFixed(4),
      lap.gear[i]!,
      lap.alongMps2[i]!.toFixed(4),
      lap.sidewaysMps2[i]!.toFixed(4),
      lap.throttle[i]!.toFixed(4),
      lap.brake[i]!.toFixed(4),
      lap.timeS[i]!.toFixed(4),
    ].join(','),
  );
  return `${[PROFILE_COLUMNS, ...rows].join('\n')}\n`;
}
