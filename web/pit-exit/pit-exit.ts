import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-pit-exit', changeDetection: ChangeDetectionStrategy.OnPush, template: 'PitExit' })
export class PitExit {}
