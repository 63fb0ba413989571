import { SPOKEN_LANGUAGES } from '@words/languages';

/** Languages in which lists name languages, besides their own. */
const NAMED_IN = ['en', 'de', 'fr', 'es', 'it', 'nl'];
const plain = (word: string): string => word.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
let known: ReadonlyMap<string, string> | undefined;

/** The code of a language by its code or its name in one of several languages, its own among them; nothing where it is none. */
export function languageIn(word: string): string | undefined {
  known ??= new Map(
    SPOKEN_LANGUAGES.flatMap((code) =>
      [...NAMED_IN, code].map((language) => {
        const name = new Intl.DisplayNames(language, { type: 'language' }).of(code) ?? code;
        return [plain(name), code] as const;
      }),
    ),
  );
  const name = plain(word);
  if (SPOKEN_LANGUAGES.includes(name.split('-')[0]!)) return word.toLowerCase();
  return known.get(name);
}
