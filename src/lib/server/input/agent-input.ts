import { Equals, IsBoolean, IsIn, IsInt, IsNumber, Max, Min } from 'class-validator';
import { COMMANDS, type WishType } from '../../core/commands/commands';
import {
  AGENT_VERSION,
  type AgentMessage,
  type Hello,
  type Settled,
  type Told,
  type ToldApplication,
  type ToldWindow,
  type ToldWorkspace,
} from '../../core/display/told';
import { FARTHEST, LONGEST_TEXT, MOST_WINDOWS } from '../../core/model/limits';
import type { Settlement } from '../../core/slices/under-way/state';
import { pointerTo, Problem } from '../http/problem';
import { problemsWith } from './check';
import { IsListOf, IsOne, type ClassConstructor } from './nested';
import { ArrayOf, IfSent, IsId, IsIdList, IsPixels, IsTextOf, IsTitle, OrNull } from './rules';
import { summary } from './summary';

/** A display may have windows of any size, anywhere; what of it a session can hold is not for an agent to know. */
const ANYWHERE = 1_000_000;
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

const INPUTS: Readonly<Record<AgentMessage['type'], ClassConstructor>> = {
  hello: HelloInput,
  told: ToldInput,
  settled: SettledInput,
};

/** Another version of the messages than this server's. */
export const isOtherVersion = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'v' in value && value.v !== AGENT_VERSION;

/** A message of an agent. @throws Problem `not-a-batch` that names every field that is wrong */
export function agentMessageFrom(text: string): AgentMessage {
  const value = parsed(text);
  const { type } = Object(value) as { readonly type?: unknown };
  const input =
    typeof type === 'string' && Object.hasOwn(INPUTS, type) ? INPUTS[type as AgentMessage['type']] : null;
  const problems = input
    ? problemsWith(input, value)
    : [{ pointer: pointerTo(['type']), detail: `type must be one of ${Object.keys(INPUTS).join(', ')}` }];
  if (problems.length > 0) throw new Problem('not-a-batch', summary(problems), problems);
  if (type !== 'settled') return value as Hello | Told;
  const { settlement, ...settled } = value as SettledInput;
  return { ...settled, settlement: settlementFrom(settlement) } satisfies Settled;
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
