/**
 * The text of a file whose kind is always UTF-8, such as a calendar.
 *
 * @throws Error with a sentence for people where it is not, so that no name is taken in with its letters broken
 */
export async function readUtf8(file: File): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer());
  } catch {
    throw new Error(`${file.name} is not UTF-8 text; save it in UTF-8, and try again.`);
  }
}

/** Bytes that begin a text in UTF-16, by their order. */
const UTF_16 = [
  { label: 'utf-16le', mark: [0xff, 0xfe] },
  { label: 'utf-16be', mark: [0xfe, 0xff] },
] as const;

/**
 * The text of a file that somebody has chosen: UTF-8, UTF-16 by its mark, or else Windows-1252, as spreadsheets write.
 *
 * @throws Error with a sentence for people where it is no text at all
 */
export async function readText(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const wide = UTF_16.find(({ mark }) => bytes[0] === mark[0] && bytes[1] === mark[1]);
  if (wide) return new TextDecoder(wide.label).decode(bytes);
  if (bytes.includes(0)) throw new Error(`${file.name} is no text; save the list as CSV, and try again.`);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
