import { ORDINARY_SHOW } from '@core/people/classroom';
import { answersIn } from '@core/people/coaching';
import { sentFor } from '@core/journal';
import { CLASS_SD, FOUND_S, MISREAD, MISSED_AFTER_S, NAMED, SIT_DOWN_S } from './chance';
import { gathered } from './order';
import type { Deed, Scene } from './scene';

/** The questions are asked this far into a class. */
const ASKED_AT_SHARE = 0.85;

/** Classes begin when everybody is there and has sat down, or those who are; and take as long as they take. */
export function* inClassroom(scene: Scene): Iterable<Deed> {
  const { state, context, nowS, ripe, between, normal } = scene;
  for (const activity of scene.turns()) {
    if (activity.kind !== 'briefing' || !activity.instructor) continue;
    const { id: instructor, name } = activity.instructor;
    const guests = gathered(scene, activity, (id) => !state.guests.get(id)?.briefed);
    const key = `class ${instructor} ${activity.guests[0]?.id}`;
    const free = state.crew.get(instructor)?.busyWith === undefined;
    if (ripe(key, guests.length > 0 && free, between(key, SIT_DOWN_S))) {
      yield { by: name, fields: { kind: 'classBegan', instructor, guests } };
    }
    if (nowS < activity.startS + MISSED_AFTER_S) continue;
    for (const { id } of activity.guests) {
      const guest = state.guests.get(id);
      const elsewhere = guest && !guest.briefed && !guest.heldBy && !guest.gone && guest.drive === undefined;
      if (elsewhere && guest.stage !== 'cleared' && !sentFor(guest)) {
        yield { by: name, fields: { kind: 'guestSentFor', guest: id, instructor } };
      }
    }
  }
  for (const [instructor, { guests, sinceS }] of state.classes) {
    const lengthS = context.day.rules.briefing.durationS * (1 + CLASS_SD * normal(`class ${guests[0]}`));
    const by = state.crew.get(instructor)?.instructor.name ?? 'Classroom';
    if (nowS >= sinceS + ASKED_AT_SHARE * lengthS) yield* asks(scene, instructor, guests, sinceS, by);
    if (nowS >= sinceS + lengthS) yield { by, fields: { kind: 'classEnded', instructor, guests: [...guests] } };
  }
}

/** Hands are counted for each question; whose were wrong is said of most. */
function* asks(
  { state, draw }: Scene,
  instructor: string,
  guests: readonly string[],
  sinceS: number,
  by: string,
): Iterable<Deed> {
  const asked = new Set(answersIn(state, { instructor, sinceS }).map(({ question }) => question));
  for (const { id, text: question, answers, right, misread = '' } of ORDINARY_SHOW.questions) {
    if (asked.has(question)) continue;
    const missed = guests.filter((guest) => draw(`misreads ${id} ${guest}`) < MISREAD);
    const wrong = right === 0 ? 1 : 0;
    const hands = answers.map((_, place) =>
      place === right ? guests.length - missed.length : place === wrong ? missed.length : 0,
    );
    const means = answers.map((_, place) => (place === right ? '' : misread));
    yield { by, fields: { kind: 'answersCounted', instructor, question, hands, right, misread: means } };
    for (const guest of missed) {
      if (draw(`named ${id} ${guest}`) < NAMED)
        yield { by, fields: { kind: 'answerMissed', guest, question, misread } };
    }
  }
}

/** Whoever is missed at a class is looked for, and sent there. */
export function* looksFor({ state, ripe, between }: Scene, by: string): Iterable<Deed> {
  for (const it of state.guests.values()) {
    const sent = sentFor(it);
    const key = `finds ${it.guest.id}`;
    if (
      ripe(key, sent !== undefined && sent.foundS === undefined && it.arrivedS !== undefined, between(key, FOUND_S))
    ) {
      yield { by, fields: { kind: 'guestFound', guest: it.guest.id } };
    }
  }
}
