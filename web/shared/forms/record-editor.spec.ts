import { editing, RecordEditor } from './record-editor';
import { ApiError } from '../data/api';
import { of, throwError } from 'rxjs';
import * as z from 'zod';
import { show } from '../../testing/fake-day';
import { dayAt } from '../../testing/left-out-day';

describe('The editor of a record', () => {
  const schema = z.strictObject({ name: z.string().min(1) });
  const fields = [{ path: 'name', label: 'Name', kind: 'text' as const }];

  it('saves at the version it was opened with, and over the other person’s only when told to', async () => {
    const versions: (number | undefined)[] = [];
    const problem = {
      type: '',
      title: '',
      status: 409,
      detail: 'Changed meanwhile.',
      current: { version: 5, fields: { name: 'Theirs' } },
    };
    const edited = editing(schema, {
      title: 'A record',
      fields: { name: 'Mine' },
      version: 4,
      save: (_, version) => {
        versions.push(version);
        return version === 5 ? of(undefined) : throwError(() => new ApiError(problem));
      },
    });
    const { fixture } = await show(RecordEditor, dayAt('09:00'), { edited, fields });
    const done: string[] = [];
    fixture.componentInstance.done.subscribe((what) => done.push(what));
    await fixture.whenStable();
    const press = async (name: string) => {
      [...document.querySelectorAll('button')].find((button) => button.textContent?.trim() === name)!.click();
      await fixture.whenStable();
    };
    await press('Save');
    expect(document.querySelector('.conflict')?.textContent).toContain('Theirs');
    expect(done).toEqual([]);
    await press('Save mine over it');
    expect([versions, done]).toEqual([[4, 5], ['saved']]);
  });

  it('takes a thing away only when asked twice', async () => {
    let removed = 0;
    const edited = editing(schema, {
      title: 'A record',
      fields: { name: 'Mine' },
      version: 1,
      save: () => of(undefined),
      remove: { label: 'Take it away', run: () => of((removed += 1)) },
    });
    const { fixture } = await show(RecordEditor, dayAt('09:00'), { edited, fields });
    await fixture.whenStable();
    const button = (name: string) =>
      [...document.querySelectorAll('button')].find((one) => one.textContent?.trim() === name)!;
    button('Take it away').click();
    await fixture.whenStable();
    expect(removed).toBe(0);
    button('Yes, take it away').click();
    expect(removed).toBe(1);
  });
});
