/** Languages that guests come with and crews speak, by their codes (ISO 639-1). */
export const SPOKEN_LANGUAGES: readonly string[] =
  'en de fr es it nl pt pl cs sk hu ro bg el tr ru uk sr hr bs sl mk sq da sv no nb nn fi is fo et lv lt ga cy gd eu ca gl mt lb he ar fa ur hi bn ta te ml pa th vi id ms zh ja ko sw af'.split(
    ' ',
  );

const LANGUAGES = new Intl.DisplayNames('en', { type: 'language', fallback: 'code' });

/** A language by its name; a code that nobody knows as it is. */
export function languageName(code: string): string {
  try {
    return LANGUAGES.of(code) ?? code;
  } catch {
    return code;
  }
}
