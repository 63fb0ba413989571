import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { ADD_PATH } from './shared/data/to-be-added';

async function start(): Promise<unknown> {
  if (!location.pathname.startsWith(ADD_PATH)) return bootstrapApplication(App, appConfig);
  const { JoinPhone, joinConfig } = await import('./features/rooms/phones/join');
  return bootstrapApplication(JoinPhone, joinConfig);
}

start().catch((error: unknown) => console.error(error));
