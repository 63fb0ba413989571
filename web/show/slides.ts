import type { CoachingCustoms } from '@core/api';
import { SLIDE_WORDS, type Question, type ShowFields, type Slide, type SlideKind } from '@core/classroom';
import { ordinal, type CircuitStudy, type StudiedCorner } from '@core/car';
import { legendOf, legendWords, type Circuit, type CornerBook } from '@core/circuit';

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
    }
  | { readonly kind: 'question'; readonly id: string; readonly title: string; readonly question: Question };

export interface ShowSource {
  readonly show: ShowFields;
  readonly venue: string;
  readonly condition: string;
  readonly circuit: Circuit | undefined;
  readonly study: CircuitStudy | undefined;
  readonly coaching: CoachingCustoms;
}

const PASSING: Record<CoachingCustoms['passing'], string> = {
  named: 'Only where it is named:',
  straights: 'On any straight.',
  signals: 'Where the instructors agree by hand and lights.',
};

/** The slides in their order: a slide for each corner, and the questions at the end. */
export function slidesOf(source: ShowSource): ShownSlide[] {
  const slides = source.show.slides
    .filter(({ hidden }) => !hidden)
    .flatMap((slide) => (slide.kind === 'corners' ? cornerSlides(source, slide) : [plainSlide(source, slide)]));
  const questions = source.show.questions.map((question): ShownSlide => ({
    kind: 'question',
    id: question.id,
    title: question.text,
    question,
  }));
  return [...slides, ...questions];
}

function plainSlide(source: ShowSource, { id, kind, title, words, picture }: Slide): ShownSlide {
  return {
    id,
    kind,
    title: title ?? SLIDE_WORDS[kind].title,
    words: words ?? ownWords(source, kind),
    picture,
    corner: kind === 'phases' ? typicalCorner(source.study) : undefined,
  };
}

/** Words that come from the venue's own circuit, legend and customs. */
function ownWords({ venue, condition, circuit, study, coaching }: ShowSource, kind: SlideKind): readonly string[] {
  const plain = SLIDE_WORDS[kind].words;
  switch (kind) {
    case 'welcome': {
      const lengthM = study ? `${Math.round(study.centre.lengthM)} m, ${study.corners.length} corners` : '';
      return [
        venue,
        circuit ? `${circuit.name}${lengthM ? `: ${lengthM}` : ''}` : '',
        `Today it is ${condition}`,
      ].filter(Boolean);
    }
    case 'grip':
      return condition === 'dry' ? plain : [...plain, `Today it is ${condition}: the budget is smaller for everybody`];
    case 'phases':
      return [
        coaching.braking === 'straight' ? 'Brake, in a straight line' : 'Brake, and ease off into the turn',
        'Release',
        'Turn, once',
        'Apex',
        coaching.throttle === 'none' ? 'Throttle, as the wheel unwinds' : 'A light throttle, more as the wheel unwinds',
        'Exit, as far as the road is wide',
      ];
    case 'cones':
      return legendWords(legendOf(circuit)).map(({ text }) => text);
    case 'passing': {
      const named = circuit?.corners.filter(({ book }) => book.passing).map(({ name }) => name) ?? [];
      const where =
        coaching.passing === 'named'
          ? `${PASSING.named} ${named.join(', ') || 'nowhere today'}`
          : PASSING[coaching.passing];
      return [
        where,
        'The slower car lifts and shows its hazard lights',
        'The instructor says the side and steadies the wheel; you never let go',
        'Afterwards: find the line again before you push',
      ];
    }
    default:
      return plain;
  }
}

function cornerSlides({ study, circuit, coaching }: ShowSource, slide: Slide): ShownSlide[] {
  const corners = study?.corners ?? [];
  return corners.map((corner): ShownSlide => {
    const book: CornerBook = corner.taught.named?.book ?? {};
    const noExit = study?.cones.omitted.find(({ corner: of, kind }) => kind === 'exit' && of === corner.name);
    const words = [
      `${ordinal(corner.taught.corner.number)} corner, to the ${corner.taught.corner.direction}; ${corner.taught.apex} apex`,
      book.lookAt && `Look at ${book.lookAt}`,
      book.givenAway && 'Slow in: it is given away for the straight that follows',
      noExit && `No exit cone: ${noExit.reason}`,
      book.noGearChange && 'No gear change here',
      book.kerbs && (book.kerbs === 'ride' ? 'The kerb may be ridden' : 'Leave the kerb alone'),
      book.slippery && `Slippery: ${book.slippery}`,
      book.roadMarks && `Road marks: ${book.roadMarks}`,
      (book.throttle ?? coaching.throttle) === 'maintenance' && 'A light throttle through the middle',
      book.mistakes && `Often wrong: ${book.mistakes}`,
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
