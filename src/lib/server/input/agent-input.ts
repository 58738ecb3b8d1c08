import { Equals, IsBase64, IsBoolean, IsIn, IsInt, IsNumber, Max, MaxLength, Min } from 'class-validator';
import { COMMANDS, type WishType } from '../../core/commands/commands';
import {
  AGENT_VERSION,
  type AgentMessage,
  type Hello,
  type Told,
  type ToldApplication,
  type ToldTab,
  type ToldTabs,
  type ToldWindow,
  type ToldWorkspace,
} from '../../core/display/told';
import { MOST_MEASURED, type Measured, type ProgramUse } from '../../core/display/processes';
import { LONGEST_WAIT, type ShotTaken, type Waiting } from '../../core/display/shots';
import { MOST_LOOKED_AT, type Picture, type Seen } from '../../core/display/pictures';
import type {
  FromPanel,
  Giving,
  Grabbed,
  HoldWanted,
  KeyTold,
  HoldDone,
  PanelHasKeys,
  PanelStance,
  PanelWanted,
} from '../../core/display/holding';
import type { ArrivedKey } from '../../core/keys/key-input';
import { FARTHEST, LONGEST_ID, LONGEST_TEXT, MOST_WINDOWS } from '../../core/model/limits';
import { USABLE_HOLD_KEYS, type UsableHoldKey } from '../../core/slices/settings/state';
import type { Settlement } from '../../core/slices/under-way/state';
import { pointerTo, Problem } from '../http/problem';
import { problemsWith } from './check';
import { IsListOf, IsOne, type ClassConstructor } from './nested';
import {
  ArrayOf,
  IfSent,
  IsAmount,
  IsId,
  IsIdList,
  IsInstant,
  IsPixels,
  IsTextOf,
  IsTitle,
  OrNull,
  IsA,
  isPictureFile,
} from './rules';
import { summary } from './summary';

/** A display may have windows of any size, anywhere; what of it a session can hold is not for an agent to know. */
const ANYWHERE = 1_000_000;
/** A picture of the largest width with as much detail as there can be, in letters. */
const LARGEST_PICTURE = 2 * 1024 * 1024;
const WISHES = COMMANDS.map(({ type }) => type);

class ExtentInput {
  @IsPixels(1, FARTHEST) width!: number;
  @IsPixels(1, FARTHEST) height!: number;
}

class PlaceInput {
  @IsNumber() @Min(-ANYWHERE) @Max(ANYWHERE) x!: number;
  @IsNumber() @Min(-ANYWHERE) @Max(ANYWHERE) y!: number;
  @IsNumber() @Min(0) @Max(ANYWHERE) width!: number;
  @IsNumber() @Min(0) @Max(ANYWHERE) height!: number;
}

class HelloInput implements Hello {
  @Equals('hello') type!: 'hello';
  @IsInt() v!: number;
  @IsTitle() name!: string;
  @ArrayOf((value) => WISHES.some((type) => type === value), 'types of wishes') abilities!: WishType[];
  @IsOne(() => ExtentInput) screen!: ExtentInput;
}

class ToldTabInput implements ToldTab {
  @IsId() id!: string;
  @IsTextOf(0, LONGEST_TEXT) title!: string;
  @IsBoolean() answering!: boolean;
  @IfSent() @IsId() was?: string;
}

class ToldTabsInput implements ToldTabs {
  @IsListOf(() => ToldTabInput, { least: 1, most: MOST_WINDOWS }) list!: ToldTabInput[];
  @IsId() shown!: string;
  @IsIdList() recent!: string[];
}

class ToldWindowInput implements ToldWindow {
  @IsId() id!: string;
  @IsId() application!: string;
  @IsTextOf(0, LONGEST_TEXT) title!: string;
  @IsBoolean() minimised!: boolean;
  @IsBoolean() hidden!: boolean;
  @IsBoolean() maximised!: boolean;
  @OrNull() @IsId() workspace!: string | null;
  @IsOne(() => PlaceInput) geometry!: PlaceInput;
  @IsBoolean() answering!: boolean;
  @IfSent() @IsOne(() => ToldTabsInput) tabs?: ToldTabsInput;
}

class ToldApplicationInput implements ToldApplication {
  @IsId() id!: string;
  @IsTextOf(0, LONGEST_TEXT) name!: string;
}

class ToldWorkspaceInput implements ToldWorkspace {
  @IsId() id!: string;
  @IsTextOf(0, LONGEST_TEXT) name!: string;
}

class ToldInput implements Told {
  @Equals('told') type!: 'told';
  @OrNull() @IsTitle() cause!: string | null;
  @IfSent() @IsListOf(() => ToldWorkspaceInput, { most: MOST_WINDOWS }) workspaces?: ToldWorkspaceInput[];
  @IfSent() @IsId() workspace?: string;
  @IfSent()
  @IsListOf(() => ToldApplicationInput, { most: MOST_WINDOWS })
  applications?: ToldApplicationInput[];
  @IfSent() @IsListOf(() => ToldWindowInput, { most: 2 * MOST_WINDOWS }) windows?: ToldWindowInput[];
  @IfSent() @IsIdList() gone?: string[];
  @IfSent() @IsBoolean() whole?: boolean;
  @IfSent() @IsIdList() stacking?: string[];
  @IfSent() @OrNull() @IsId() front?: string | null;
}

class SettlementInput {
  @IsIn(['done', 'refused']) kind!: 'done' | 'refused';
  @IfSent() @IsTextOf(1, LONGEST_TEXT) detail?: string;
}

class SettledInput {
  @Equals('settled') type!: 'settled';
  @IsTitle() batch!: string;
  @IsOne(() => SettlementInput) settlement!: SettlementInput;
}

class PictureInput implements Picture {
  @IsId() window!: string;
  @IsTitle() version!: string;
  @IsBase64() @MaxLength(LARGEST_PICTURE) png!: string;
}

class SeenInput implements Seen {
  @Equals('seen') type!: 'seen';
  @IsTitle() id!: string;
  @IsListOf(() => PictureInput, { most: MOST_LOOKED_AT }) pictures!: PictureInput[];
}

class ProgramUseInput implements ProgramUse {
  @IsId() application!: string;
  @IsInstant() since!: string;
  @IsAmount() processor!: number;
  @IsAmount() memory!: number;
}

class MeasuredInput implements Measured {
  @Equals('measured') type!: 'measured';
  @IsTitle() id!: string;
  @IsListOf(() => ProgramUseInput, { most: MOST_MEASURED }) programs!: ProgramUseInput[];
}

class ShotTakenInput implements ShotTaken {
  @Equals('shot') type!: 'shot';
  @IsTitle() id!: string;
  @OrNull() @IsA('isFile', isPictureFile, 'must be a file in Base64, or null') png!: string | null;
}

class ArrivedKeyInput implements ArrivedKey {
  @IsIn(['down', 'up']) phase!: 'down' | 'up';
  @IsTextOf(0, LONGEST_ID) code!: string;
  @IsTextOf(0, LONGEST_ID) key!: string;
  @IsBoolean() alt!: boolean;
  @IsBoolean() control!: boolean;
  @IsBoolean() meta!: boolean;
  @IsBoolean() shift!: boolean;
  @IsBoolean() altGraph!: boolean;
  @IsBoolean() repeat!: boolean;
  @IsBoolean() composing!: boolean;
}

class KeyInput implements KeyTold {
  @Equals('key') type!: 'key';
  @IsOne(() => ArrivedKeyInput) key!: ArrivedKeyInput;
  @OrNull() @IsId() front!: string | null;
}

class GrabbedInput implements Grabbed {
  @Equals('grabbed') type!: 'grabbed';
  @IsIn(USABLE_HOLD_KEYS) holdKey!: UsableHoldKey;
  @ArrayOf(isPosition, 'positions of keys') taken!: string[];
}

class GivingInput implements Giving {
  @Equals('giving') type!: 'giving';
}

class HoldWantedInput implements HoldWanted {
  @Equals('hold') type!: 'hold';
  @IsIn(USABLE_HOLD_KEYS) holdKey!: UsableHoldKey;
  @ArrayOf(isPosition, 'positions of keys') positions!: string[];
  @ArrayOf(isPosition, 'positions of keys') writing!: string[];
}

class PanelWantedInput implements PanelWanted {
  @Equals('panel') type!: 'panel';
  @IsIn(['away', 'raised', 'keys']) stance!: PanelStance;
  @IsBoolean() wished!: boolean;
}

class PanelHasKeysInput implements PanelHasKeys {
  @Equals('has-keys') type!: 'has-keys';
}

class WaitingInput implements Waiting {
  @Equals('waiting') type!: 'waiting';
  @OrNull() @IsInt() @Min(0) @Max(LONGEST_WAIT) seconds!: number | null;
}

class HoldDoneInput implements HoldDone {
  @Equals('hold-done') type!: 'hold-done';
}

function isPosition(value: unknown): boolean {
  return typeof value === 'string' && /^\w{1,30}$/.test(value);
}

const PANEL_INPUTS: Readonly<Record<FromPanel['type'], ClassConstructor>> = {
  hold: HoldWantedInput,
  panel: PanelWantedInput,
  'has-keys': PanelHasKeysInput,
  'hold-done': HoldDoneInput,
  waiting: WaitingInput,
};
const INPUTS: Readonly<Record<AgentMessage['type'], ClassConstructor>> = {
  hello: HelloInput,
  told: ToldInput,
  settled: SettledInput,
  seen: SeenInput,
  measured: MeasuredInput,
  shot: ShotTakenInput,
  key: KeyInput,
  grabbed: GrabbedInput,
  giving: GivingInput,
};

/** Another version of the messages than this server's. */
export const isOtherVersion = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'v' in value && value.v !== AGENT_VERSION;

/** A message of an agent. @throws Problem `not-a-message` that names every field that is wrong */
export function agentMessageFrom(text: string): AgentMessage {
  const message = checked<AgentMessage | SettledInput>(text, INPUTS);
  if (message.type !== 'settled') return message;
  const { settlement, ...settled } = message;
  return { ...settled, settlement: settlementFrom(settlement as SettlementInput) };
}

/** A message of the page in Key Fold's own window. @throws Problem `not-a-message` */
export const panelMessageFrom = (text: string): FromPanel => checked<FromPanel>(text, PANEL_INPUTS);

function checked<Message>(text: string, inputs: Readonly<Record<string, ClassConstructor>>): Message {
  const value = parsed(text);
  const { type } = Object(value) as { readonly type?: unknown };
  const input = typeof type === 'string' && Object.hasOwn(inputs, type) ? inputs[type] : undefined;
  const problems = input
    ? problemsWith(input, value)
    : [{ pointer: pointerTo(['type']), detail: `type must be one of ${Object.keys(inputs).join(', ')}` }];
  if (problems.length > 0) throw new Problem('not-a-message', summary(problems), problems);
  return value as Message;
}

const settlementFrom = ({ kind, detail }: SettlementInput): Settlement =>
  kind === 'done' ? { kind } : { kind, detail: detail ?? 'It would not.' };

/** What a text says as JSON; null if it is none. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
