import { Router } from 'express';
import type { Services } from '../app';
/** Sheets to print. */
export function printRoutes(_services: Services): Router {
  return Router();
}
