import { ChangeDetectionStrategy, Component } from '@angular/core';
@Component({ selector: 'jl-rules', changeDetection: ChangeDetectionStrategy.OnPush, template: 'RulesScreen' })
export class RulesScreen {}
