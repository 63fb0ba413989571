import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-guest-card', changeDetection: ChangeDetectionStrategy.OnPush, template: 'GuestCard' })
export class GuestCard {}
