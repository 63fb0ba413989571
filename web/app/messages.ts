import { Injectable, signal } from '@angular/core';
import { MessageService, type ToastMessageOptions } from 'primeng/api';
import { ReplaySubject } from 'rxjs';

/** Messages wait here for what shows them, which is loaded with the first. */
@Injectable()
export class Messages extends MessageService {
  readonly any = signal(false);

  constructor() {
    super();
    const kept = new ReplaySubject<ToastMessageOptions | ToastMessageOptions[]>(20);
    this.messageObserver.subscribe((said) => {
      kept.next(said);
      this.any.set(true);
    });
    this.messageObserver = kept;
  }
}
