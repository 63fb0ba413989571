/** Names come from people: what a tooltip says is written, never read as HTML. */
export const TOOLTIP_AS_TEXT = { renderMode: 'richText' } as const;
