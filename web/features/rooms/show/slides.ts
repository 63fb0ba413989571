import type { CoachingCustoms } from '@core/venue/settings';
import type { Question, ShowFields, Slide, SlideKind } from '@core/people/classroom';
import type { CircuitStudy, StudiedCorner } from '@core/track/car';
import { legendOf, markersOf, type Circuit, type CornerBook } from '@core/track/circuit';
import { CONE_WORDS } from '@words';
import type { CallLine, ShowWords } from '@words/guests';

/** One picture of the show, as it is drawn. */
export type ShownSlide =
  | {
      readonly kind: SlideKind;
      readonly id: string;
      readonly title: string;
      readonly words: readonly string[];
      readonly picture: string | undefined;
      /** The corner that is drawn, on slides that draw one. */
      readonly corner: StudiedCorner | undefined;
      /** Calls of the venue, on the slides that list them. */
      readonly calls?: readonly CallLine[];
    }
  | {
      readonly kind: 'question';
      readonly id: string;
      readonly title: string;
      readonly question: Question;
      /** The question in the words of the venue, by which its answers are counted in every language. */
      readonly asked: string;
      /** What each answer shows to have been misunderstood, for those who teach; empty at the right one. */
      readonly misread: readonly string[];
    };

export interface ShowSource {
  readonly show: ShowFields;
  readonly venue: string;
  readonly condition: string;
  readonly circuit: Circuit | undefined;
  readonly study: CircuitStudy | undefined;
  readonly coaching: CoachingCustoms;
  /** In the language of those who look on. */
  readonly words: ShowWords;
}

/** So many calls are read from the last row. */
const CALLS_ON_A_SLIDE = 9;

/** The slides in their order: a slide for each corner, and the questions at the end. */
export function slidesOf(source: ShowSource): ShownSlide[] {
  const slides = source.show.slides
    .filter(({ hidden }) => !hidden)
    .flatMap((slide) => {
      if (slide.kind === 'corners') return cornerSlides(source, slide);
      return slide.kind === 'calls' && !slide.words ? callSlides(source, slide) : [plainSlide(source, slide)];
    });
  const questions = source.show.questions.map((asked) => questionSlide(source, asked));
  return [...slides, ...questions];
}

function plainSlide(source: ShowSource, { id, kind, title, words, picture }: Slide): ShownSlide {
  return {
    id,
    kind,
    title: title ?? source.words.slide[kind].title,
    words: words ?? ownWords(source, kind),
    picture,
    corner: kind === 'phases' ? typicalCorner(source.study) : undefined,
  };
}

/** Words that come from the venue's own circuit, legend and customs. */
function ownWords(
  { venue, condition, circuit, study, coaching, words }: ShowSource,
  kind: SlideKind,
): readonly string[] {
  const plain = words.slide[kind].words;
  switch (kind) {
    case 'welcome': {
      const size = study && { lengthM: study.centre.lengthM, corners: study.corners.length };
      return [venue, circuit ? words.circuit(circuit.name, size) : '', words.today(condition)].filter(Boolean);
    }
    case 'grip':
      return condition === 'dry' ? plain : [...plain, words.smallerBudget(condition)];
    case 'phases':
      return [
        words.brake[coaching.braking],
        words.release,
        words.turnOnce,
        words.apex,
        words.throttle[coaching.throttle],
        words.exit,
      ];
    case 'cones':
      return markersOf(legendOf(circuit)).map(({ kind: of, marker }) => words.cone(of, marker));
    case 'passing': {
      const named = circuit?.corners.filter(({ book }) => book.passing).map(({ name }) => name) ?? [];
      const where = coaching.passing === 'named' ? words.passingNamed(named) : words.passing[coaching.passing];
      return [where, ...words.passed];
    }
    default:
      return plain;
  }
}

/** The calls that this venue makes, evenly over as many slides as they need. */
function callSlides({ coaching, words }: ShowSource, slide: Slide): ShownSlide[] {
  const calls = words.calls(coaching.calls ?? {});
  const count = Math.ceil(calls.length / CALLS_ON_A_SLIDE);
  const each = Math.ceil(calls.length / count);
  return Array.from({ length: count }, (_, place) => ({
    id: place === 0 ? slide.id : `${slide.id}-${place + 1}`,
    kind: 'calls',
    title: slide.title ?? words.slide.calls.title,
    words: [],
    picture: undefined,
    corner: undefined,
    calls: calls.slice(place * each, (place + 1) * each),
  }));
}

/** In this order the cones are offered as answers, so that the right one is not the first. */
const ASKED_CONES = ['turnIn', 'brake', 'apex', 'exit'] as const;

function questionSlide({ circuit, words }: ShowSource, asked: Question): ShownSlide {
  const question = words.question(asked);
  const slide = { kind: 'question' as const, id: asked.id, title: question.text, asked: asked.text };
  const legend = legendOf(circuit);
  const marked = ASKED_CONES.filter((kind) => legend[kind].by !== 'none');
  if (!asked.legend || marked.length < 2 || !marked.includes('brake')) {
    const misread = question.answers.map((answer, place) =>
      place === asked.right ? '' : (asked.misread ?? `answered “${asked.answers[place] ?? answer}” to “${asked.text}”`),
    );
    return { ...slide, question, misread };
  }
  const answers = marked.map((kind) => words.look(legend[kind]));
  const misread = marked.map((kind) => (kind === 'brake' ? '' : `mixed up brake and ${CONE_WORDS[kind]} cones`));
  return { ...slide, question: { ...question, answers, right: marked.indexOf('brake') }, misread };
}

function cornerSlides({ study, circuit, coaching, words: say }: ShowSource, slide: Slide): ShownSlide[] {
  const corners = study?.corners ?? [];
  return corners.map((corner): ShownSlide => {
    const book: CornerBook = corner.taught.named?.book ?? {};
    const noExit = study?.cones.omitted.find(({ corner: of, kind }) => kind === 'exit' && of === corner.name);
    const words = [
      say.corner(corner.taught.corner.number, corner.taught.corner.direction, corner.taught.apex),
      book.lookAt && say.lookAt(book.lookAt),
      book.givenAway && say.givenAway,
      noExit?.reason.code === 'shortStraight' && say.noExitCone(noExit.reason.values.inside),
      noExit?.reason.code === 'notMarked' && say.noExitCone(undefined),
      book.noGearChange && say.noGearChange,
      book.kerbs && say.kerbs[book.kerbs],
      book.slippery && say.slippery(book.slippery),
      book.roadMarks && say.roadMarks(book.roadMarks),
      (book.throttle ?? coaching.throttle) === 'maintenance' && say.lightThrottle,
      book.mistakes && say.mistakes(book.mistakes),
    ].filter((text): text is string => Boolean(text));
    return {
      id: `${slide.id}-${corner.taught.corner.number}`,
      kind: 'corners',
      title: corner.name,
      words: slide.words ? [...words, ...slide.words] : words,
      picture: slide.picture,
      corner: circuit && corner,
    };
  });
}

/** A corner that shows all phases: braked for, with its exit used. */
function typicalCorner(study: CircuitStudy | undefined): StudiedCorner | undefined {
  const corners = study?.corners ?? [];
  return corners.find(({ brake, taught }) => brake && taught.exitFree) ?? corners[0];
}
