import { clockMinute } from '@core/values';
import type { Activity } from '@core/day';
import type { Violation } from '@core/rules';
import { howGood } from './bound';
import {
  cueFaultWords,
  delayWords,
  FIGURES,
  legendFaultWords,
  legendWarningWords,
  markReasonWords,
  omittedWords,
  oneThingWords,
  slipWords,
  toDoWords,
} from './day';
import {
  callWords,
  cardAdviceWords,
  talkWords,
  CARD_TOPICS,
  cardValueWords,
  cornerRemarkWords,
  lapObstacleWords,
} from './driving';
import { driftCauseWords, driftEffectWords, repairOptionWords } from './drift';
import { entryWords } from './entries';
import { adviceWords, refusalWords, runnerWords, resolutionWords } from './journal';
import {
  assignmentWords,
  changeWords,
  groupChangeWords,
  leftOutWords,
  limitWords,
  remedyWords,
  misfitWords,
  obstacleWords,
  resourceWords,
  revisionReasonWords,
  sharedChangeWords,
} from './planning';
import { requestWords } from './requests';
import { deviceRefusalWords, dataIssueRemedyWords, dataIssueWords } from './data-issues';
import { dateWords, dayWords, gapWords, skillWords } from './roster';
import { ENGLISH_VIOLATIONS } from './violations';
import type { Names } from '../names';
import type { Words } from '../words';

/** Every fact in English. */
export function english(names: Names): Words {
  const { guest, car, instructor, vehicle, group } = names;
  const activity = (of: Activity): string => {
    switch (of.kind) {
      case 'drive':
        return `${of.guest === undefined ? of.drive : guest(of.guest)} in ${car(of.car)} at ${clockMinute(of.releaseS)}`;
      case 'sighting':
        return `the sighting run at ${clockMinute(of.releaseS)} in ${vehicle(of.vehicle)}`;
      case 'briefing':
        return `the class at ${clockMinute(of.startS)} with ${instructor(of.instructor)}`;
      case 'group':
        return `${group(of.group)} at ${clockMinute(of.releaseS)}`;
      case 'refuel':
        return `refuelling ${car(of.car)} at ${clockMinute(of.startS)}`;
    }
  };
  const misfit = misfitWords(names);
  const obstacle = obstacleWords(names);
  const leftOut = leftOutWords(names, misfit);
  const refusal = refusalWords(names, misfit);
  const runner = runnerWords(names);
  const told = { names, activity, misfit };
  return {
    activity,
    misfit,
    leftOut,
    violation: (violation) => {
      const ways = ENGLISH_VIOLATIONS[violation.code] as Record<string, (of: Violation, with_: typeof told) => string>;
      return ways[violation.detail]!(violation, told);
    },
    dropped: ({ activity: of, obstacle: what }) =>
      `${activity(of)} had begun and can no longer stand: ${obstacle(what)}`,
    place: ({ release, car: in_, instructor: with_ }) =>
      `${clockMinute(release)}, ${car(in_)}, with ${instructor(with_)}`,
    change: changeWords(names, { activity, leftOut }),
    sharedChange: sharedChangeWords(names),
    groupChange: groupChangeWords(names),
    assignment: assignmentWords(names),
    remedy: remedyWords(names),
    revisionReason: revisionReasonWords(names),
    limit: limitWords(names),
    howGood,
    resource: resourceWords(names),
    entry: entryWords,
    request: requestWords,
    refusal,
    resolution: resolutionWords(refusal),
    runner,
    advice: adviceWords(refusal, runner),
    delay: delayWords(names),
    driftCause: driftCauseWords(names),
    driftEffect: driftEffectWords,
    repairOption: repairOptionWords(names),
    omitted: omittedWords,
    legendFault: legendFaultWords,
    cueFault: cueFaultWords,
    legendWarning: legendWarningWords,
    markReason: markReasonWords(),
    oneThing: oneThingWords,
    toDo: toDoWords(names),
    dataIssue: dataIssueWords,
    dataIssueRemedy: dataIssueRemedyWords,
    deviceRefusal: deviceRefusalWords,
    slip: slipWords,
    lapObstacle: lapObstacleWords,
    call: callWords,
    cornerRemark: cornerRemarkWords,
    cardTopic: (topic) => CARD_TOPICS[topic],
    cardValue: cardValueWords,
    cardAdvice: cardAdviceWords,
    talk: talkWords,
    gained: (byS) => `${byS.toFixed(1)} s quicker within the last drive`,
    skill: skillWords(names),
    gap: gapWords(names),
    date: dayWords,
    dateWithYear: dateWords,
    figure: (key) => FIGURES[key],
  };
}
