import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-debrief', changeDetection: ChangeDetectionStrategy.OnPush, template: 'Debrief' })
export class Debrief {}
