import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-desk', changeDetection: ChangeDetectionStrategy.OnPush, template: 'Desk' })
export class Desk {}
