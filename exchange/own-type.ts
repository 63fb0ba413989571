import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/**
 * The type of the house on paper. It comes in files for the letters of most of Europe; what neither has, as in names
 * written in Greek or Cyrillic, is set in the type that has it.
 */
export const TYPE = { plain: 'Archivo', extended: 'Archivo extended', other: 'Roboto' } as const;
type TypeName = (typeof TYPE)[keyof typeof TYPE];

/** Letters in the files of the type, by Unicode range; as its makers cut them. */
const PLAIN: readonly (readonly [number, number])[] = [
  [0x0000, 0x00ff],
  [0x0131, 0x0131],
  [0x0152, 0x0153],
  [0x02c6, 0x02c6],
  [0x02da, 0x02da],
  [0x02dc, 0x02dc],
  [0x2000, 0x206f],
  [0x20ac, 0x20ac],
  [0x2122, 0x2122],
  [0x2212, 0x2212],
];
const EXTENDED: readonly (readonly [number, number])[] = [
  [0x0100, 0x02ba],
  [0x1e00, 0x1e9f],
  [0x1ef2, 0x1eff],
  [0x20a0, 0x20c0],
];

function typeOf(letter: string): TypeName {
  const code = letter.codePointAt(0)!;
  const inside = (ranges: readonly (readonly [number, number])[]) =>
    ranges.some(([from, to]) => from <= code && code <= to);
  return inside(PLAIN) ? TYPE.plain : inside(EXTENDED) ? TYPE.extended : TYPE.other;
}

/** A text cut where the type changes. */
export function runsOf(text: string): { readonly text: string; readonly font: TypeName }[] {
  const runs: { text: string; font: TypeName }[] = [];
  for (const letter of text) {
    const font = typeOf(letter);
    const last = runs.at(-1);
    if (last?.font === font) last.text += letter;
    else runs.push({ text: letter, font });
  }
  return runs;
}

/** A document in the type of the house: every text in it is set in the files that have its letters. */
export function inOwnType(document: TDocumentDefinitions): TDocumentDefinitions {
  const footer = document.footer;
  return {
    ...document,
    content: set(document.content) as TDocumentDefinitions['content'],
    footer:
      typeof footer === 'function'
        ? (page, pages, size) => set(footer(page, pages, size)) as ReturnType<typeof footer>
        : footer,
    defaultStyle: { ...document.defaultStyle, font: TYPE.plain },
  };
}

function set(content: unknown): unknown {
  if (Array.isArray(content)) return content.map(set);
  if (typeof content === 'string') return plainOr(content);
  if (typeof content !== 'object' || content === null) return content;
  return Object.fromEntries(
    Object.entries(content).map(([key, value]) => {
      if (key === 'text') return [key, typeof value === 'string' ? textOf(value) : set(value)];
      return [key, ['columns', 'stack', 'table', 'body', 'ul', 'ol'].includes(key) ? set(value) : value];
    }),
  );
}

/** A text as it is where one file has all its letters, else in runs. */
function textOf(text: string): unknown {
  const runs = runsOf(text);
  return runs.every(({ font }) => font === TYPE.plain) ? text : runs;
}

function plainOr(text: string): unknown {
  const runs = textOf(text);
  return typeof runs === 'string' ? runs : { text: runs };
}
