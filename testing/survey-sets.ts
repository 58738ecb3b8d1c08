/** Desks to be surveyed, as people have them or hard to lay out; the same for the same seed. */
import type { Extent } from '../src/lib/core/model/geometry';
import type { SurveyWindow } from '../src/lib/core/survey/sheet';
import { Random } from './random';

/** Screens of a laptop, a desk, a large desk and a phone. */
export const SCREENS: readonly Extent[] = [
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
  { width: 2560, height: 1440 },
  { width: 390, height: 844 },
];

export const MIXES = ['desk', 'dialogs', 'maximised', 'odd'] as const;
export type Mix = (typeof MIXES)[number];

const APPLICATIONS = ['tides', 'berths', 'log', 'letters', 'radio', 'weather', 'roster', 'byelaws', 'sums'];

type Kind =
  | 'maximised'
  | 'half'
  | 'quarter'
  | 'free'
  | 'dialog'
  | 'narrow'
  | 'table'
  | 'thin'
  | 'long'
  | 'huge'
  | 'tiny'
  | 'minimised';

const KINDS: Readonly<Record<Mix, readonly Kind[]>> = {
  desk: [
    ...(['maximised', 'half', 'half', 'quarter', 'free', 'free', 'free', 'free'] as const),
    ...(['dialog', 'dialog', 'narrow', 'table', 'minimised'] as const),
  ],
  dialogs: ['dialog', 'dialog', 'dialog', 'free'],
  maximised: ['maximised', 'maximised', 'maximised', 'half'],
  odd: ['thin', 'long', 'huge', 'tiny', 'free', 'maximised'],
};

/** So many windows of a mix on a screen. */
export function windowSet(seed: number, count: number, screen: Extent, mix: Mix = 'desk'): SurveyWindow[] {
  const random = new Random(seed * 7_919 + count);
  const { width: W, height: H } = screen;
  const between = (low: number, high: number) => low + random.share() * (high - low);
  const sized = (width: number, height: number) => ({
    width: Math.round(width),
    height: Math.round(height),
    corner: {
      x: Math.round(between(0, Math.max(0, W - width))),
      y: Math.round(between(0, Math.max(0, H - height))),
    },
  });
  const side = (length: number) => (random.chance(0.5) ? 0 : length / 2);
  const make: Readonly<Record<Kind, () => Pick<SurveyWindow, 'width' | 'height' | 'corner'>>> = {
    maximised: () => ({ width: W, height: H, corner: { x: 0, y: 0 } }),
    half: () => ({ width: W / 2, height: H, corner: { x: side(W), y: 0 } }),
    quarter: () => ({ width: W / 2, height: H / 2, corner: { x: side(W), y: side(H) } }),
    free: () => sized(between(0.3, 0.65) * W, between(0.35, 0.75) * H),
    dialog: () => sized(between(260, 480), between(140, 320)),
    narrow: () => sized(between(0.18, 0.3) * W, between(0.7, 1) * H),
    table: () => sized(between(0.7, 1) * W, between(0.2, 0.35) * H),
    thin: () => sized(between(20, 60), between(1, 3) * H),
    long: () => sized(between(1, 4) * W, between(20, 80)),
    huge: () => ({ width: W * 3, height: H * 2, corner: { x: -W, y: -H / 2 } }),
    tiny: () => sized(between(20, 60), between(20, 40)),
    minimised: () => ({ width: 240, height: 72, corner: null }),
  };
  return Array.from({ length: count }, (_, index) => ({
    id: `w${index}`,
    application: random.one(APPLICATIONS),
    title: `Sheet ${random.below(1_000)}`,
    rank: index,
    ...make[random.one(KINDS[mix])](),
  }));
}
