import { ChangeDetectionStrategy, Component, forwardRef, inject, input, signal } from '@angular/core';
import { NG_VALUE_ACCESSOR, type ControlValueAccessor } from '@angular/forms';
import { Button } from 'primeng/button';
import { Photos } from '../data/photos';
import { newId } from '../data/new-id';

/** A picture: taken or chosen, sent at once, and its id is the value. */
@Component({
  selector: 'jl-photo-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => PhotoField), multi: true }],
  template: `
    @if (photo(); as id) {
      <img [src]="'/api/photos/' + id" alt="As it is now" />
      <p-button label="Take it away" size="small" [text]="true" (onClick)="set('')" />
    }
    <input type="file" accept="image/*" [id]="inputId()" (change)="chosen($event)" />
    @if (failed()) {
      <span class="stop" role="alert">This picture cannot be sent: a JPEG, PNG or WebP, and the network.</span>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem;
    }
    img {
      height: 3.2rem;
      border-radius: 5px;
    }
    input {
      max-width: 100%;
      font-size: 12px;
    }
  `,
})
export class PhotoField implements ControlValueAccessor {
  private readonly photos = inject(Photos);
  readonly inputId = input<string>();
  protected readonly photo = signal('');
  protected readonly failed = signal(false);
  private changed: (id: string) => void = () => undefined;

  writeValue(id: string | null): void {
    this.photo.set(id ?? '');
  }
  registerOnChange(changed: (id: string) => void): void {
    this.changed = changed;
  }
  registerOnTouched(): void {
    // Nothing depends on whether the field was visited.
  }

  protected async chosen(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    const id = await this.photos.send(file, newId());
    this.failed.set(id === undefined);
    if (id !== undefined) this.set(id);
  }

  protected set(id: string): void {
    this.photo.set(id);
    this.changed(id);
  }
}
