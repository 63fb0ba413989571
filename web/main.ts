import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app';
import { appConfig } from './app.config';
import { ADD_PATH } from './phones/to-be-added';

async function start(): Promise<unknown> {
  if (!location.pathname.startsWith(ADD_PATH)) return bootstrapApplication(App, appConfig);
  const { JoinPhone, joinConfig } = await import('./phones/join');
  return bootstrapApplication(JoinPhone, joinConfig);
}

start().catch((error: unknown) => console.error(error));
