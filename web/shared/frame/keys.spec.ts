import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { onKeys } from './keys';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button>Somewhere</button>
    <input />
    <select></select>
    <div role="dialog"><button class="in-dialog">In a dialog</button></div>
    <button class="uses" (keydown)="$event.preventDefault()">Uses keys itself</button>
  `,
})
class Host {
  readonly done: string[] = [];
  constructor() {
    onKeys({
      p: () => this.done.push('plan'),
      ArrowUp: () => this.done.push('up'),
      'Ctrl Z': () => this.done.push('back'),
      'Ctrl Shift Z': () => this.done.push('again'),
    });
    onKeys({ 'Ctrl K': () => this.done.push('find') }, { whileTyping: true });
  }
}

describe('Keys of a screen', () => {
  const open = () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Host);
    const element = fixture.nativeElement as HTMLElement;
    document.body.append(element);
    const press = (selector: string, key: string, held: KeyboardEventInit = {}) => {
      const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...held });
      element.querySelector(selector)!.dispatchEvent(event);
      return event.defaultPrevented;
    };
    return { fixture, press, done: fixture.componentInstance.done };
  };

  it('are taken wherever the focus is, and are no longer the browser’s', () => {
    const { press, done } = open();
    expect(press('button', 'p')).toBeTrue();
    press('button', 'ArrowUp');
    press('button', 'z', { ctrlKey: true });
    press('button', 'Z', { metaKey: true, shiftKey: true });
    expect(done).toEqual(['plan', 'up', 'back', 'again']);
    expect(press('button', 'q')).toBeFalse();
  });

  it('are left to a field, to a dialog, and to what has used them', () => {
    const { press, done } = open();
    for (const where of ['input', 'select', '.in-dialog', '.uses']) press(where, 'p');
    press('input', 'z', { ctrlKey: true });
    expect(done).toEqual([]);
    press('input', 'k', { ctrlKey: true });
    expect(done).toEqual(['find']);
  });

  it('are not those with another key held', () => {
    const { press, done } = open();
    press('button', 'p', { altKey: true });
    press('button', 'p', { ctrlKey: true });
    expect(done).toEqual([]);
  });

  it('end with the screen', () => {
    const { fixture, done } = open();
    fixture.destroy();
    document.body.append(document.createElement('button'));
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'p' }));
    expect(done).toEqual([]);
  });
});
