import '../before-schemas';
import { judgeOf } from '@core/day';
import type { Standpoint } from '@core/journal';
import { acceptInPart, assignmentsOf, mendsFor } from '@core/planner';
import type { Answer, Question } from './verdict-messages';

let standpoint: Standpoint | undefined;
let judge: ReturnType<typeof judgeOf> | undefined;

addEventListener('message', ({ data: question }: MessageEvent<Question>) => {
  const answer = answerTo(question);
  if (answer) postMessage(answer);
});

function answerTo(question: Question): Answer | undefined {
  const { id } = question;
  if (question.kind === 'stand') {
    standpoint = question.standpoint;
    judge = judgeOf(standpoint.day, standpoint.plan, standpoint.repair);
    const { violations, cost } = judge.verdict;
    return { kind: 'stand', id, violations, cost: cost.total };
  }
  if (question.kind === 'mends') {
    const { day, from, repair } = question.standpoint;
    return { kind: 'mends', id, mends: mendsFor(day, from.previous, question.drive, repair) };
  }
  if (question.kind === 'crew') {
    const { day, plan, repair } = question.standpoint;
    return { kind: 'crew', id, assignments: assignmentsOf(day, plan, question.drive, repair) };
  }
  if (!standpoint || !judge) return undefined;
  return question.kind === 'judge'
    ? { kind: 'judge', id, judgement: judge.of(question.plan) }
    : { kind: 'part', id, outcome: acceptInPart(standpoint, question.proposal, question.chosen) };
}
