import { Injectable } from '@angular/core';
import { MessageService, type ToastMessageOptions } from 'primeng/api';
import { ReplaySubject } from 'rxjs';

/** Messages wait here for what shows them, which is loaded once the first screen is there. */
@Injectable()
export class Messages extends MessageService {
  constructor() {
    super();
    const kept = new ReplaySubject<ToastMessageOptions | ToastMessageOptions[]>(20);
    this.messageObserver.subscribe(kept);
    this.messageObserver = kept;
  }
}
