/**
 * The text of a file that somebody has chosen.
 *
 * @throws Error with a sentence for people where it is not UTF-8, so that no name is taken in with its letters broken
 */
export async function readText(file: File): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer());
  } catch {
    throw new Error(`${file.name} is not UTF-8 text; save it in UTF-8, and try again.`);
  }
}
