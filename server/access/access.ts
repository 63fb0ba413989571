import type { Access } from '@core/api';
import type { Request } from 'express';
import type { ManagerService } from './manager-service';
import { isThisMachine } from './network/this-machine';
import type { PhoneService } from './phone-service';

/** Refuses who may not do what an endpoint does. */
export type Admit = (access: Access, request: Request) => void;

/**
 * Who may do what, at one place: an endpoint says it, the router asks here before it reads or parses anything of the
 * request.
 *
 * @param open whoever reaches the server counts as a phone that was added
 */
export function admission(phones: PhoneService, manager: ManagerService, open: boolean): Admit {
  return (access, request) => {
    if (access === 'anyone') return;
    const here = isThisMachine(request);
    if (!here && !open) phones.mustBeAdded(request, access === 'phoneLeaving');
    if (access === 'managerAlone' || (access === 'manager' && !here)) manager.mustBeOpen(request);
  };
}
