import * as fc from 'fast-check';
import { LEGENDS } from '../../track/circuit';
import { BY_ID, spokenCue, wordsIn } from '@words';
import { cueFaults, cueFaultsOf } from './cues';
import { type phase } from './fault-entry';
import { VOCABULARY } from './vocabulary';

const [four] = LEGENDS;
const codes = (cue: string, of: (typeof phase.options)[number]) =>
  cueFaults(cue, of, four!).map(({ code, values: { word } }) => `${code} ${word}`);

describe('What is said in a moving car', () => {
  it('has one meaning: no cue of the vocabulary orders anything else, under any legend to begin with', () => {
    for (const legend of LEGENDS) {
      for (const entry of VOCABULARY) {
        expect(cueFaultsOf(entry, legend)).withContext(`${entry.id}: ${entry.say} / ${entry.sayOtherwise}`).toEqual([]);
      }
    }
  });

  it('orders nothing that is called for another thing', () => {
    expect(codes('Brake harder', 'brake')).toEqual([]);
    expect(codes('Brake harder', 'exit')).toEqual(['ordersOtherwise brake']);
    expect(codes('Now, and off', 'throttle')).toEqual(['ordersOtherwise off', 'ordersOtherwise now']);
    expect(codes('Stay in', 'exit')).toEqual(['ordersOtherwise stay in']);
    expect(codes('Know the offset', 'whole')).toEqual([]);
  });

  it('names no colour, and what stands at the road only as the legend has it', () => {
    expect(codes('Turn at the violet cone', 'turnIn')).toEqual(['namesColour violet', 'namesMarker cone']);
    expect(codes('Turn at {turnIn}', 'turnIn')).toEqual([]);
    expect(codes('Turn at {wall}', 'turnIn')).toEqual(['noSuchPlace wall']);
    const own = { ...four!, turnIn: { ...four!.turnIn, colour: 'mauve' } };
    expect(cueFaults('Turn at mauve', 'turnIn', own).map(({ code }) => code)).toEqual(['namesColour']);
  });

  it('is heard as the venue marks its places', () => {
    expect(spokenCue('Turn at {turnIn}', four!)).toBe('Turn at the violet cone');
    expect(spokenCue('Brake at {brake}', four!)).toBe('Brake at the white pair');
    expect(spokenCue('Brake at {brake}', LEGENDS[1]!)).toBe('Brake at the 3 orange cones');
    expect(spokenCue('Use {exit}', LEGENDS[2]!)).toBe('Use the edge of the road');
  });

  it('tells every fault in words that name the word', () => {
    const told = wordsIn('en', BY_ID);
    fc.assert(
      fc.property(fc.constantFrom('Now', 'Off the cone', 'Red board', 'At {wall}'), (cue) => {
        for (const fault of cueFaults(cue, 'whole', four!)) expect(told.cueFault(fault)).toContain(fault.values.word);
      }),
    );
  });
});
