import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-cars', changeDetection: ChangeDetectionStrategy.OnPush, template: 'Cars' })
export class Cars {}
