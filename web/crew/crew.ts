import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-crew', changeDetection: ChangeDetectionStrategy.OnPush, template: 'Crew' })
export class Crew {}
