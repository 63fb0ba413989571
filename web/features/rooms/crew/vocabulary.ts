import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { legendOf } from '@core/track/circuit';
import { faultEntry } from '@core/people/coaching/at-start';
import { cueFaultsOf, phase, VOCABULARY, type FaultEntry } from '@core/people/coaching';
import { PHASE_WORDS, spokenCue } from '@words';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import type * as z from 'zod';
import { Api } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { formOf } from '../../../shared/forms/fields';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { known } from '../../../shared/data/reading';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { Unread } from '../../../shared/frame/unread';

const COMMON = new Map(VOCABULARY.map((entry) => [entry.id, entry]));
const WEIGHTS = [
  { value: 1, label: '1, little' },
  { value: 2, label: '2' },
  { value: 3, label: '3, much' },
];
const NEW_FAULT = { phase: 'brake', weight: 2 };

/** What goes wrong in a car, in this venue's words: the common faults, its own words for them, and its own faults. */
@Component({
  selector: 'jl-vocabulary',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, RecordEditor, Unread],
  templateUrl: './vocabulary.html',
  styles: `
    section {
      display: grid;
      grid-template-columns: 7.5rem minmax(0, 1fr);
      border-top: 1px solid var(--p-jl-ink);
    }
    h2 {
      margin: 0.55rem 0 0;
      font-size: 15px;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: minmax(11rem, 1fr) minmax(14rem, 2.2fr) minmax(11rem, 1.3fr) auto;
      gap: 1rem;
      align-items: center;
      padding: 0.35rem 0;
      border-bottom: 1px solid var(--p-jl-line);
    }
    p {
      margin: 0;
      font-size: 13px;
    }
    small {
      display: block;
      color: var(--p-jl-muted);
    }
    .cure {
      font-weight: 620;
    }
    .chip,
    .cure + .muted {
      margin-left: 0.35rem;
    }
    .retired b {
      text-decoration: line-through;
    }
    @media (max-width: 900px) {
      section,
      li {
        grid-template-columns: minmax(0, 1fr);
        gap: 0.2rem;
      }
    }
  `,
  host: { class: 'screen' },
})
export class Vocabulary {
  private readonly api = inject(Api);
  protected readonly find = signal('');
  protected readonly edited = signal<Edited | undefined>(undefined);
  protected readonly list = rxResource({ stream: () => this.api.call(contract.listFaults) });
  protected readonly own = computed(
    () => new Map((known(this.list)?.faults ?? []).map((stored) => [stored.id, stored])),
  );
  private readonly circuit = inject(CircuitService);
  private readonly legend = computed(() => legendOf(this.circuit.draft()));
  private readonly all = computed(() => {
    const own = [...this.own().values()].map(({ fields }) => fields);
    return new Map([...VOCABULARY, ...own].map((entry) => [entry.id, entry]));
  });
  protected readonly groups = computed(() => {
    const find = this.find().trim().toLowerCase();
    const words = (entry: FaultEntry) => [entry.name, entry.cause, entry.does, entry.cure, entry.say].join(' ');
    const found = [...this.all().values()].filter((entry) => words(entry).toLowerCase().includes(find));
    return phase.options
      .map((of) => ({
        phase: of,
        words: PHASE_WORDS[of],
        rows: found
          .filter((entry) => entry.phase === of)
          .map((entry) => ({
            ...entry,
            heard: spokenCue(entry.say, this.legend()),
            heardOtherwise: spokenCue(entry.sayOtherwise, this.legend()),
            faults: cueFaultsOf(entry, this.legend()).map(({ fault }) => PLAIN_WORDS.cueFault(fault)),
            why: sentence(`${entry.cause}; ${entry.does}.`),
            cure: sentence(entry.cure),
            mark: !this.own().has(entry.id) ? '' : COMMON.has(entry.id) ? 'own words' : 'own',
            from: (entry.from ?? []).map((id) => this.all().get(id)?.name.toLowerCase() ?? id).join(', '),
          })),
      }))
      .filter(({ rows }) => rows.length > 0);
  });
  protected readonly shown = computed(() => this.groups().reduce((sum, { rows }) => sum + rows.length, 0));
  protected readonly fields = computed(() => {
    const faults = [...this.all().values()].map(({ id, name }) => ({ value: id, label: name }));
    const isNew = this.edited()?.version === undefined && !COMMON.has(String(this.edited()?.fields['id']));
    return formOf<z.input<typeof faultEntry>>({
      id: isNew ? { label: 'Id', kind: 'text', hint: 'small letters, stays the same for good' } : 'notHere',
      name: { label: 'Name', kind: 'text' },
      phase: {
        label: 'Phase of the corner',
        kind: 'choice',
        options: phase.options.map((value) => ({ value, label: PHASE_WORDS[value] })),
      },
      weight: { label: 'Weighs', kind: 'choice', options: WEIGHTS },
      cause: { label: 'Cause', kind: 'text', wide: true },
      does: { label: 'What it does to the car', kind: 'text', wide: true },
      cure: { label: 'Cure', kind: 'text', wide: true },
      say: {
        label: 'In the car',
        kind: 'text',
        hint: 'short; {brake}, {turnIn}, {apex}, {exit} for what stands there',
      },
      sayOtherwise: { label: 'Said another way', kind: 'text', hint: 'where it comes again' },
      from: { label: 'May come from', kind: 'many', options: faults, optional: true, wide: true },
      retired: { label: 'Out of use', kind: 'yes', hint: 'marks that name it are still read' },
    });
  });

  constructor() {
    this.circuit.refresh();
  }

  protected open(id: string): void {
    const stored = this.own().get(id);
    const entry = this.all().get(id)!;
    this.edited.set(
      editing(faultEntry, {
        title: entry.name,
        fields: { ...entry },
        version: stored?.version,
        save: (fields, version) =>
          version === undefined
            ? this.api.call(contract.addFault, { body: { ...fields, id } })
            : this.api.call(contract.changeFault, { params: { id }, body: { version, fields } }),
        ...(stored &&
          COMMON.has(id) && {
            remove: {
              label: 'Back to the common words',
              run: () => this.api.call(contract.removeFault, { params: { id } }),
            },
          }),
      }),
    );
  }

  protected add(): void {
    this.edited.set(
      editing(faultEntry, {
        title: 'New fault',
        fields: { ...NEW_FAULT },
        version: undefined,
        save: (fields) => this.api.call(contract.addFault, { body: fields }),
      }),
    );
  }
}

/** With a capital to begin with. */
function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
