import loadHighs from 'highs';
import { Program, solverOf } from './program';

describe('A program as it is written for the solver', () => {
  const small = () => {
    const program = new Program('Maximize');
    program.counts(3, program.binary('take'));
    program.counts(1, program.integer('count'));
    program.row(
      [
        [2, 'take'],
        [1, 'count'],
        [1, 'take'],
        [0, 'nothing'],
      ],
      '<=',
      4.5,
    );
    return program;
  };

  it('names each variable once in a row, with all that stands before it, and none that counts nothing', () => {
    const text = small().text();
    expect(text).toContain(' r0: 3 take + 1 count <= 4.5');
    expect(text).not.toContain('nothing');
    expect(text.split('\n').slice(-5)).toEqual(['General', ' count', 'Binary', ' take', 'End']);
  });

  it('leaves out a row in which nothing is left', () => {
    const program = new Program('Minimize');
    program.row(
      [
        [1, 'x'],
        [-1, 'x'],
      ],
      '>=',
      -3,
    );
    expect(program.text()).not.toContain('r0');
  });

  it('is solved with whole numbers, or in parts where that is enough for a bound', async () => {
    const solve = solverOf(await loadHighs());
    expect(solve(small().text(), 5)).toBeCloseTo(4, 6);
    expect(solve(small().text(false), 5)).toBeCloseTo(4.5, 6);
  });

  it('has no answer where it has no solution', async () => {
    const program = small();
    program.row([[1, 'count']], '>=', 9);
    expect(solverOf(await loadHighs())(program.text(), 5)).toBeUndefined();
  });
});
