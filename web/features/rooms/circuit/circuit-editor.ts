import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  circuitFaults,
  legendFaults,
  legendOf,
  besideCentre,
  centreLineOf,
  withHeights,
  type Circuit,
  type ConeKind,
  type Legend,
} from '@core/track/circuit';
import { CONE_WORDS } from '@words';
import { Button } from 'primeng/button';
import { NumberField } from '../../../shared/forms/number-field';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { ApiError } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { newId } from '../../../shared/data/new-id';
import { lapFaultWords, PLAIN_WORDS } from '../../../shared/data/screen-words';
import type { ActsOf, CIRCUIT_KEYS } from '../../../shared/frame/screen-keys';
import { Ask } from '../../../shared/frame/ask';
import { onKeys } from '../../../shared/frame/keys';
import { CircuitImport } from './circuit-import';
import { DrawCircuit } from './draw-circuit';
import { LegendEditor } from './legend-editor';
import { CircuitMapView, type MapChoice, type MapMode, type MapMove } from './circuit-map';
import { LapChart } from './lap-chart';

const MODES: readonly { label: string; value: MapMode; hint: string }[] = [
  { label: 'Look', value: 'look', hint: 'Drag to move the map; the wheel, + and − come nearer and go further.' },
  {
    label: 'Line',
    value: 'line',
    hint: 'Drag a point of the centre line; comma and full stop choose the next, arrows move it.',
  },
  { label: 'Width', value: 'width', hint: 'Drag an edge of the road; the side panel takes numbers.' },
  {
    label: 'Cones',
    value: 'cones',
    hint: 'Drag a cone and it keeps its place. Click the ground to place one by hand.',
  },
  { label: 'Names', value: 'names', hint: 'Drag a name along the lap; the side panel renames it.' },
];
const SIDES = [
  { key: 'leftM', label: 'Left of it' },
  { key: 'rightM', label: 'Right of it' },
] as const;

/** What is placed by hand most often comes first; one more at a corner may be of any kind. */
const HAND_KINDS: readonly ConeKind[] = [
  ...(['gate', 'boundary', 'pullOff', 'distance', 'keepOff', 'guideLine', 'safetyZone'] as const),
  ...(['brake', 'turnIn', 'apex', 'exit'] as const),
];
const WHY_HERE = 'Why does this stand here?';

/** What can be placed by hand: cones, and what stands beside the road anyway. */
type HandKind = ConeKind | 'landmark' | 'marshalPost';

/** The circuit's editor: its map, speed and curvature beside it, and what is chosen. */
@Component({
  selector: 'jl-circuit-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    LegendEditor,
    Button,
    CircuitImport,
    DrawCircuit,
    CircuitMapView,
    FormsModule,
    RouterLink,
    NumberField,
    InputText,
    LapChart,
    Select,
    SelectButton,
  ],
  templateUrl: './circuit-editor.html',
  styleUrl: './circuit-editor.scss',
})
export class CircuitEditor {
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);
  protected readonly circuit = inject(CircuitService);
  protected readonly faultWords = lapFaultWords;

  constructor() {
    onKeys({
      'Ctrl Z': () => this.circuit.undo(),
      'Ctrl Shift Z': () => this.circuit.redo(),
    } satisfies ActsOf<typeof CIRCUIT_KEYS>);
  }

  private readonly map = viewChild(CircuitMapView);
  protected readonly modes = [...MODES];
  protected readonly legend = computed(() => legendOf(this.circuit.draft()));
  protected readonly legendOpen = signal(false);
  protected readonly kinds: { value: HandKind; label: string }[] = [
    ...HAND_KINDS.map((value) => ({ value, label: CONE_WORDS[value] })),
    { value: 'landmark', label: 'landmark' },
    { value: 'marshalPost', label: 'marshal post' },
  ];
  protected readonly mode = signal<MapMode>('look');
  protected readonly choice = signal<MapChoice | undefined>(undefined);
  protected readonly cursorM = signal<number | undefined>(undefined);
  protected readonly importing = signal(false);
  protected readonly drawing = signal(false);
  protected readonly handKind = signal<HandKind>('gate');
  protected readonly saving = signal(false);
  /** Somebody else has saved meanwhile; what they say. */
  protected readonly conflict = signal<string | undefined>(undefined);

  protected readonly hint = computed(() => MODES.find(({ value }) => value === this.mode())!.hint);
  protected readonly faults = computed(() => {
    const draft = this.circuit.draft();
    if (!draft || !this.circuit.changed()) return [];
    const confused = legendFaults(legendOf(draft));
    return [
      ...circuitFaults(draft),
      ...confused.map((fault) => ({ path: 'legend', message: PLAIN_WORDS.legendFault(fault) })),
    ];
  });
  protected readonly facts = computed(() => {
    const [draft, study] = [this.circuit.draft(), this.circuit.study()];
    if (!draft || !study) return [];
    const { centre } = study;
    const turned = centre.curvature.reduce((sum, curvature) => sum + curvature, 0);
    const width = (values: Float64Array) => `${Math.min(...values).toFixed(1)}–${Math.max(...values).toFixed(1)}`;
    const heights = centre.hilly
      ? `${Math.min(...centre.zM).toFixed(0)} to ${Math.max(...centre.zM).toFixed(0)} m`
      : 'not known';
    const shown = study.shown && study.laps.find((lap) => lap.car === study.shown!.car && lap.pace === 1);
    return [
      { label: 'Length', value: `${Math.round(centre.lengthM)} m` },
      { label: 'Driven', value: turned > 0 ? 'anticlockwise' : 'clockwise' },
      { label: 'Corners', value: `${study.corners.length}` },
      { label: 'Left / right of the line', value: `${width(centre.leftM)} / ${width(centre.rightM)} m` },
      { label: 'Heights', value: heights },
      { label: 'Blind crests', value: `${study.crests.length}` },
      ...(shown ? [{ label: `Lap, ${this.circuit.carName(shown.car)}`, value: `${shown.lapTimeS.toFixed(1)} s` }] : []),
    ];
  });
  protected readonly shownCar = computed(() => this.circuit.carName(this.circuit.study()?.shown?.car ?? ''));
  protected readonly point = computed(() => {
    const choice = this.choice();
    return choice?.kind === 'point' ? this.circuit.draft()?.line[choice.index] : undefined;
  });
  protected readonly cone = computed(() => {
    const choice = this.choice();
    return choice?.kind === 'cone' ? this.circuit.study()?.cones.cones.find(({ id }) => id === choice.id) : undefined;
  });
  protected readonly corner = computed(() => {
    const choice = this.choice();
    return choice?.kind === 'corner' ? this.circuit.draft()?.corners[choice.index] : undefined;
  });
  protected readonly coneWords = CONE_WORDS;
  protected readonly outOfOrder = computed(() => {
    const cone = this.cone();
    return cone !== undefined && this.circuit.study()?.cones.outOfOrder.includes(cone.id);
  });
  protected readonly sides = SIDES;

  protected setMode(mode: MapMode): void {
    this.mode.set(mode);
    this.choice.set(undefined);
  }

  protected zoom(factor: number): void {
    this.map()?.zoomBy(factor);
  }

  protected showAll(): void {
    this.map()?.showAll();
  }

  protected move({ choice, xM, yM, side }: MapMove): void {
    const draft = this.circuit.draft();
    if (!draft) return;
    const round = (value: number) => Math.round(value * 100) / 100;
    const at = { xM: round(xM), yM: round(yM) };
    if (choice.kind === 'cone') return this.moveCone(draft, choice.id, at);
    const centre = centreLineOf(draft.line, 3);
    if (choice.kind === 'corner') {
      const atM = round(besideCentre(centre, xM, yM).atM);
      return this.circuit.change(withAt(draft, 'corners', choice.index, (corner) => ({ ...corner, atM })));
    }
    if (!side) return this.circuit.change(withAt(draft, 'line', choice.index, (point) => ({ ...point, ...at })));
    const widthM = round(Math.max(1, Math.abs(besideCentre(centre, xM, yM).offsetM)));
    const key = side === 'left' ? 'leftM' : 'rightM';
    this.circuit.change(withAt(draft, 'line', choice.index, (point) => ({ ...point, [key]: widthM })));
  }

  private moveCone(draft: Circuit, id: string, at: { xM: number; yM: number }): void {
    const hand = draft.cones.findIndex((cone) => cone.id === id);
    if (hand >= 0) return this.circuit.change(withAt(draft, 'cones', hand, (cone) => ({ ...cone, ...at })));
    const known = draft.movedCones.find((cone) => cone.id === id);
    const others = draft.movedCones.filter((cone) => cone.id !== id);
    this.circuit.change({ ...draft, movedCones: [...others, { id, ...at, note: known?.note ?? 'moved by hand' }] });
  }

  /** A moved cone goes back to where it is computed. */
  protected computeAgain(id: string): void {
    const draft = this.circuit.draft()!;
    this.circuit.change({ ...draft, movedCones: draft.movedCones.filter((cone) => cone.id !== id) });
  }

  protected async noteCone(id: string, note: string | undefined): Promise<void> {
    const text = await this.ask.for(WHY_HERE, 'Reason', note);
    const draft = this.circuit.draft();
    if (text === undefined || !draft) return;
    const hand = draft.cones.findIndex((cone) => cone.id === id);
    const moved = draft.movedCones.findIndex((cone) => cone.id === id);
    if (hand >= 0) this.circuit.change(withAt(draft, 'cones', hand, (cone) => ({ ...cone, note: text })));
    else if (moved >= 0) this.circuit.change(withAt(draft, 'movedCones', moved, (cone) => ({ ...cone, note: text })));
  }

  /** One that was placed by hand is gone; a computed one stays away, with the reason, until it is put back. */
  protected async removeCone(id: string): Promise<void> {
    const byHand = this.circuit.draft()!.cones.some((cone) => cone.id === id);
    const note = byHand ? '' : await this.ask.for('Why is this cone taken away?', 'Reason');
    const draft = this.circuit.draft();
    if (note === undefined || !draft) return;
    this.choice.set(undefined);
    if (byHand) return this.circuit.change({ ...draft, cones: draft.cones.filter((cone) => cone.id !== id) });
    const movedCones = draft.movedCones.filter((cone) => cone.id !== id);
    this.circuit.change({ ...draft, movedCones, removedCones: [...draft.removedCones, { id, note }] });
  }

  protected putBack(id: string): void {
    const draft = this.circuit.draft()!;
    this.circuit.change({ ...draft, removedCones: draft.removedCones.filter((cone) => cone.id !== id) });
  }

  protected async place(at: { xM: number; yM: number }): Promise<void> {
    const kind = this.handKind();
    const round = (value: number) => Math.round(value * 100) / 100;
    const point = { xM: round(at.xM), yM: round(at.yM) };
    if (kind === 'landmark' || kind === 'marshalPost') {
      const name = await this.ask.for(kind === 'landmark' ? 'What stands there?' : 'Which post?', 'Name');
      const draft = this.circuit.draft();
      if (!name || !draft) return;
      const list = kind === 'landmark' ? 'landmarks' : 'marshalPosts';
      return this.circuit.change({ ...draft, [list]: [...draft[list], { name, ...point }] });
    }
    const note = await this.ask.for(WHY_HERE, 'Reason');
    const draft = this.circuit.draft();
    if (note === undefined || !draft) return;
    const id = `${kind}-${newId().slice(0, 6)}`;
    this.circuit.change({ ...draft, cones: [...draft.cones, { id, kind, ...point, ...(note && { note }) }] });
    this.choice.set({ kind: 'cone', id });
  }

  protected removePlace(list: 'landmarks' | 'marshalPosts', name: string): void {
    const draft = this.circuit.draft()!;
    this.circuit.change({ ...draft, [list]: draft[list].filter((place) => place.name !== name) });
  }

  protected setWidth(key: 'leftM' | 'rightM', value: number | null): void {
    const choice = this.choice();
    if (choice?.kind !== 'point' || value === null) return;
    this.circuit.change(withAt(this.circuit.draft()!, 'line', choice.index, (point) => ({ ...point, [key]: value })));
  }

  protected setHeight(value: number | null): void {
    const choice = this.choice();
    if (choice?.kind !== 'point' || value === null) return;
    this.circuit.change(withAt(this.circuit.draft()!, 'line', choice.index, (point) => ({ ...point, zM: value })));
  }

  protected rename(name: string): void {
    const choice = this.choice();
    if (choice?.kind !== 'corner' || name.trim() === '') return;
    this.circuit.change(
      withAt(this.circuit.draft()!, 'corners', choice.index, (corner) => ({ ...corner, name: name.trim() })),
    );
  }

  protected removeCorner(): void {
    const choice = this.choice();
    if (choice?.kind !== 'corner') return;
    const draft = this.circuit.draft()!;
    this.choice.set(undefined);
    this.circuit.change({ ...draft, corners: draft.corners.filter((_, index) => index !== choice.index) });
  }

  /** Names a corner that was found and has no name yet. */
  protected async nameCorner(atM: number, number: number): Promise<void> {
    const name = await this.ask.for(`Name corner ${number}`, 'Name');
    const draft = this.circuit.draft();
    if (!name || !draft) return;
    const corners = [...draft.corners, { name, atM: Math.round(atM), book: {} }].sort((a, b) => a.atM - b.atM);
    this.circuit.change({ ...draft, corners });
  }

  protected setPit(key: 'pitExitM' | 'pitEntryM', value: number | null): void {
    const draft = this.circuit.draft()!;
    this.circuit.change({ ...draft, [key]: value ?? undefined });
  }

  protected setLegend(legend: Legend): void {
    const draft = this.circuit.draft();
    if (draft) this.circuit.change({ ...draft, legend });
  }

  /** Heights by place: between them the road rises evenly. */
  protected async typeHeights(): Promise<void> {
    const draft = this.circuit.draft()!;
    const words = 'Metres along the lap, and how high: 0: 12, 350: 15.5 (level: none)';
    const text = await this.ask.for('Heights', words, heightsText(draft));
    if (text === undefined) return;
    const heights = heightsOf(text);
    if (!heights) return this.data.refuse('Write each place with its height, such as 350: 15.5, with commas between.');
    this.circuit.change({ ...draft, line: withHeights(draft.line, heights) });
  }

  /** Drives the other way round. */
  protected turnRound(): void {
    const draft = this.circuit.draft()!;
    const { lengthM } = centreLineOf(draft.line, 3);
    const back = (atM: number) => Math.round((lengthM - atM) % lengthM);
    const [first, ...rest] = draft.line;
    this.circuit.change({
      ...draft,
      line: [first!, ...rest.reverse()].map((point) => ({ ...point, leftM: point.rightM, rightM: point.leftM })),
      corners: draft.corners.map((corner) => ({ ...corner, atM: back(corner.atM) })).sort((a, b) => a.atM - b.atM),
      pitExitM: draft.pitExitM === undefined ? undefined : back(draft.pitExitM),
      pitEntryM: draft.pitEntryM === undefined ? undefined : back(draft.pitEntryM),
      movedCones: [],
      removedCones: [],
    });
  }

  protected take(circuit: Circuit): void {
    const draft = this.circuit.draft();
    this.importing.set(false);
    this.choice.set(undefined);
    this.circuit.change({ ...circuit, legend: circuit.legend ?? draft?.legend });
  }

  protected save(): void {
    this.saving.set(true);
    this.circuit.save().subscribe({
      next: () => {
        this.saving.set(false);
        this.conflict.set(undefined);
        this.data.say('The circuit is saved.');
      },
      error: (error: unknown) => {
        this.saving.set(false);
        const message = (error as Error).message;
        if (error instanceof ApiError && error.problem?.status === 409) this.conflict.set(message);
        else this.data.refuse(message);
      },
    });
  }

  protected takeTheirs(): void {
    this.conflict.set(undefined);
    this.circuit.readAnew();
  }
}

type Lists = 'line' | 'corners' | 'cones' | 'movedCones';

function withAt<K extends Lists>(
  circuit: Circuit,
  key: K,
  place: number,
  change: (one: Circuit[K][number]) => Circuit[K][number],
): Circuit {
  const list = circuit[key] as Circuit[K][number][];
  return { ...circuit, [key]: list.map((one, index) => (index === place ? change(one) : one)) };
}

/** So many places show what heights a circuit has. */
const SHOWN_HEIGHTS = 8;

/** Heights of a circuit at some places, as they are typed. */
function heightsText({ line }: Circuit): string {
  if (line[0]?.zM === undefined) return '';
  const centre = centreLineOf(line, 5);
  const every = Math.max(1, Math.floor(centre.zM.length / SHOWN_HEIGHTS));
  return Array.from(centre.zM)
    .flatMap((zM, i) =>
      i % every === 0 ? [`${Math.round((i / centre.zM.length) * centre.lengthM)}: ${zM.toFixed(1)}`] : [],
    )
    .join(', ');
}

/** Places and heights as they were typed; nothing where they cannot be read. */
function heightsOf(text: string): { atM: number; zM: number }[] | undefined {
  if (/^(none|level)$/i.test(text.trim())) return [];
  const pairs = text.split(/[,;\n]+/).map((part) => part.split(':').map((number) => Number(number.trim() || 'x')));
  if (pairs.some((pair) => pair.length !== 2 || !pair.every(Number.isFinite))) return undefined;
  return pairs.map(([atM, zM]) => ({ atM: atM!, zM: zM! }));
}
