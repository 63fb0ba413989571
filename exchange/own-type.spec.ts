import * as fc from 'fast-check';
import { inOwnType, runsOf, TYPE } from './own-type';

describe('The type of printed matter', () => {
  it('is our own for the letters it has, and another for the rest of a name', () => {
    expect(runsOf('Ines Faro')).toEqual([{ text: 'Ines Faro', font: TYPE.plain }]);
    expect(runsOf('Łukasz Żak')).toEqual([
      { text: 'Ł', font: TYPE.extended },
      { text: 'ukasz ', font: TYPE.plain },
      { text: 'Ż', font: TYPE.extended },
      { text: 'ak', font: TYPE.plain },
    ]);
    expect(runsOf('Нина').map(({ font }) => font)).toEqual([TYPE.other]);
  });

  it('loses no letter', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        expect(
          runsOf(text)
            .map((run) => run.text)
            .join(''),
        ).toBe(text);
      }),
    );
  });

  it('reaches into columns, tables and lists, and into the foot of each page', () => {
    const name = 'Żak';
    const runs = runsOf(name);
    const made = inOwnType({
      defaultStyle: { font: 'Roboto', fontSize: 9 },
      content: [{ columns: [{ text: name }, name] }, { table: { widths: ['*'], body: [[name, { text: 'x' }]] } }],
      footer: () => ({ text: name }),
    });
    expect(made.defaultStyle).toEqual({ font: TYPE.plain, fontSize: 9 });
    expect(made.content as unknown).toEqual([
      { columns: [{ text: runs }, { text: runs }] },
      { table: { widths: ['*'], body: [[{ text: runs }, { text: 'x' }]] } },
    ] as never);
    expect((made.footer as () => unknown)()).toEqual({ text: runs });
  });
});
