import type { Content } from 'pdfmake/interfaces';
import { MUTED } from './inks';

/** A code that opens an address, at the right edge, with a word below. */
export function qrTo(address: string, word: string): Content {
  return {
    columns: [
      { width: '*', text: '' },
      {
        width: 'auto',
        stack: [
          { qr: address, fit: 92 },
          { text: word, color: MUTED, fontSize: 8 },
        ],
      },
    ],
  };
}
