import { provideHttpClient } from '@angular/common/http';
import {
  isDevMode,
  provideBrowserGlobalErrorListeners,
  type ApplicationConfig,
  provideZonelessChangeDetection,
} from '@angular/core';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling, withPreloading } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { PRIME } from '../shared/frame/prime';
import { Messages } from './messages';
import { PreloadLater } from './preload-later';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideHttpClient(),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withPreloading(PreloadLater),
      withInMemoryScrolling({ anchorScrolling: 'enabled' }),
    ),
    providePrimeNG(PRIME),
    Messages,
    { provide: MessageService, useExisting: Messages },
    // Keeps the application on the device once the first screen has had time to show.
    provideServiceWorker('service-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:8000',
    }),
  ],
};
