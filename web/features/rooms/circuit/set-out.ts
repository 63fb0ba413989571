import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { WHEELED_LINES } from '@core/track/circuit/at-start';
import { legendOf, loadOf, markersOf, Wheeled, type PlacedCone, type WheeledLine } from '@core/track/circuit';
import { clockMinute } from '@core/values';
import type { GarageState } from '@core/journal';
import { CONE_WORDS, coneWords } from '@words';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { contract, type SetOutSheet } from '@core/api';
import { Api } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { ownHeading } from '../../../shared/frame/own-heading';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { Ask } from '../../../shared/frame/ask';
import { CircuitMapView, type MapChoice } from './circuit-map';

const ALONG_KEY = 'joylap.setOutAlong';
const LINE_WORDS: Readonly<Record<WheeledLine, string>> = {
  middle: 'Middle',
  left: 'Left edge',
  right: 'Right edge',
};
const NONE: GarageState['cones'] = new Map();

/** The sheet by which cones are set out: in the order in which one drives by, ticked off in the morning. */
@Component({
  selector: 'jl-set-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CircuitMapView, FormsModule, SelectButton],
  templateUrl: './set-out.html',
  styleUrl: './set-out.scss',
})
export class SetOut {
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);
  private readonly api = inject(Api);
  protected readonly circuit = inject(CircuitService);
  protected readonly heading = ownHeading('Set-out');
  protected readonly choice = signal<MapChoice | undefined>(undefined);

  protected readonly cones = computed(() => this.circuit.study()?.cones.cones ?? []);
  private readonly checks = computed(() => this.data.state()?.garage.cones ?? NONE);
  protected readonly doubted = computed(
    () => new Set([...this.checks()].filter(([, check]) => check.doubt !== undefined).map(([id]) => id)),
  );
  protected readonly checked = computed(
    () => new Set([...this.checks()].filter(([, check]) => check.doubt === undefined).map(([id]) => id)),
  );
  /** Cones that have to be looked at again after the last incident. */
  protected readonly afterIncident = computed(() => {
    const last = this.data.state()?.incidents.at(-1);
    return last && { what: last.what, atS: last.atS };
  });
  /** The line along which somebody wheels: an edge is easier to keep to than the middle. */
  protected readonly along = signal<WheeledLine>(
    WHEELED_LINES.find((line) => line === localStorage.getItem(ALONG_KEY)) ?? 'middle',
  );
  protected readonly lines = WHEELED_LINES.map((value) => ({ value, label: LINE_WORDS[value] }));
  protected readonly lineWords = computed(() => LINE_WORDS[this.along()].toLowerCase());
  private readonly line = computed(() => {
    const centre = this.circuit.study()?.centre;
    return centre && new Wheeled(centre, this.along());
  });
  /** The cones, each with how far it is from the start and from the one before, metres along that line. */
  private readonly measured = computed(() => {
    const line = this.line();
    let lastM = 0;
    return this.cones().map((cone) => {
      const fromStartM = line?.at(cone.atM) ?? cone.atM;
      const fromLastM = fromStartM - lastM;
      lastM = fromStartM;
      return { cone, fromStartM, fromLastM };
    });
  });
  protected readonly rows = computed(() => {
    const since = this.afterIncident()?.atS ?? -1;
    return this.measured().map(({ cone, fromStartM, fromLastM }, index) => {
      const check = this.checks().get(cone.id);
      const stale = check !== undefined && check.doubt === undefined && check.atS < since;
      return {
        cone,
        order: index + 1,
        where: `${fromStartM.toFixed(1)} m`,
        fromLast: `${fromLastM.toFixed(1)} m`,
        edge:
          cone.beyondEdgeM >= 0
            ? `${cone.beyondEdgeM.toFixed(1)} m beyond the edge`
            : `${(-cone.beyondEdgeM).toFixed(1)} m inside the edge`,
        what: this.whatOf(cone),
        means: `${CONE_WORDS[cone.kind]}${cone.corner ? `, ${cone.corner}` : ''}`,
        done: check !== undefined && check.doubt === undefined && !stale,
        doubt: check?.doubt,
        state: check
          ? check.doubt === undefined
            ? `${clockMinute(check.atS)} ${check.by}${stale ? ', before the incident' : ''}`
            : `doubted ${clockMinute(check.atS)}`
          : '',
      };
    });
  });
  protected readonly left = computed(() => this.rows().filter(({ done }) => !done).length);
  protected readonly toLookAt = computed(() => {
    if (!this.circuit.study()) return 'Where the cones stand is being computed…';
    if (this.cones().length === 0) return 'No cones stand on this circuit';
    return this.left() === 0 ? 'All cones looked at' : `${this.left()} of ${this.cones().length} to look at`;
  });
  protected readonly load = computed(() => {
    const plan = this.circuit.study()?.cones;
    return plan ? loadOf(plan) : [];
  });
  protected readonly legend = computed(() => markersOf(legendOf(this.circuit.draft())));
  protected readonly words = PLAIN_WORDS;
  protected readonly coneWords = coneWords;
  protected readonly omitted = computed(() => this.circuit.study()?.cones.omitted ?? []);
  protected readonly lengthM = computed(() => this.line()?.lengthM ?? 0);

  constructor() {
    this.circuit.refresh();
  }

  private whatOf({ marker, landmark }: PlacedCone): string {
    if (marker.by === 'landmark') return landmark ?? 'no landmark near: set a board';
    return `${marker.count > 1 ? `${marker.count} × ` : ''}${marker.colour}`;
  }

  protected tick(id: string, done: boolean): void {
    if (!done) this.data.record({ kind: 'conesChecked', cones: [id] });
    else this.data.record({ kind: 'coneDoubted', cone: id, note: 'to be looked at again' });
  }

  protected tickAll(): void {
    const open = this.rows()
      .filter(({ done }) => !done)
      .map(({ cone }) => cone.id);
    if (open.length > 0) this.data.record({ kind: 'conesChecked', cones: open });
  }

  protected async doubt(id: string): Promise<void> {
    const note = await this.ask.for('What is wrong with this cone?', 'Note', 'knocked over');
    if (note !== undefined) this.data.record({ kind: 'coneDoubted', cone: id, note: note || 'doubted' });
  }

  protected wheel(along: WheeledLine): void {
    this.along.set(along);
    localStorage.setItem(ALONG_KEY, along);
  }

  protected print(): void {
    window.print();
  }

  /** The sheet as a file, made by the server as it stands here. */
  protected download(format: 'csv' | 'geojson'): void {
    const sheet: SetOutSheet = {
      circuit: this.circuit.draft()?.name ?? '',
      along: this.along(),
      cones: this.measured().map(({ cone, fromStartM, fromLastM }) => ({
        id: cone.id,
        kind: cone.kind,
        corner: cone.corner,
        atM: fromStartM,
        fromLastM,
        side: cone.side,
        beyondEdgeM: cone.beyondEdgeM,
        xM: cone.xM,
        yM: cone.yM,
        colour: cone.marker.colour,
        count: cone.marker.count,
        note: cone.note,
      })),
    };
    const endpoint = format === 'csv' ? contract.setOutCsv : contract.setOutGeoJson;
    this.api.file(endpoint, { body: sheet }).subscribe({
      next: (file) => {
        const link = document.createElement('a');
        link.href = URL.createObjectURL(file);
        link.download = `set-out.${format}`;
        link.click();
        URL.revokeObjectURL(link.href);
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
