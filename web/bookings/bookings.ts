import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-bookings', changeDetection: ChangeDetectionStrategy.OnPush, template: 'Bookings' })
export class Bookings {}
