import { english } from './en/english';
import type { Names } from './names';
import type { Words } from './words';

/**
 * The only room in which the interface's language stands for what the core finds: facts go in, sentences come out, for
 * screens, paper, command line and replies alike.
 */
export { BY_ID, namesOf, type Names } from './names';
export {
  answersWords,
  BREAK_OFF_WORDS,
  CAR_STATUS_WORDS,
  CONE_WORDS,
  coneWords,
  CREW_STATION_WORDS,
  CREW_STATUS_WORDS,
  EXTRA_LAP_WORDS,
  FLAG_WORDS,
  GATE_QUESTION_WORDS,
  GEARBOX_WORDS,
  GUEST_STAGE_WORDS,
  MONEY_MEANS_WORDS,
  HOME_CAR_WORDS,
  HOUSE_RULE,
  PACE_WORDS,
  PHASE_WORDS,
  ROLE_WORDS,
  spokenCue,
  FRIEND_WISH_WORDS,
  TERM_WORDS,
  misreadWords,
  touchWords,
  lapsText,
} from './en/terms';
export { MEMBER_OUT_WORDS, SPACING_SAID_WORDS } from './en/groups';
export { CALL_HOLDS, CALL_MEANINGS, TALK_GROUP_WORDS } from './en/driving';
export type { Words } from './words';

const LANGUAGES = { en: english } satisfies Record<string, (names: Names) => Words>;
/** Languages in which the interface is complete. */
export type InterfaceLanguage = keyof typeof LANGUAGES;

/** How facts are told in a language. */
export function wordsIn(language: InterfaceLanguage, names: Names): Words {
  return LANGUAGES[language](names);
}
