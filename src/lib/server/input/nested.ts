/** Properties that hold further inputs: what class-validator calls nested, checked level by level (see `check`). */
import { ArrayMaxSize, ArrayMinSize, IsArray } from 'class-validator';
import { applyDecorators } from './apply-decorators';
import { IsA } from './rules';

/** A class of input. */
export type ClassConstructor = new () => object;
type TypeOf = () => ClassConstructor;

const nested = new WeakMap<object, Map<string, TypeOf>>();

/** The input class that a property of a class holds, itself or in a list; undefined for plain values. */
export function nestedType(type: ClassConstructor, property: string): ClassConstructor | undefined {
  for (
    let proto = type.prototype as object | null;
    proto;
    proto = Object.getPrototypeOf(proto) as object | null
  ) {
    const found = nested.get(proto)?.get(property);
    if (found) return found();
  }
  return undefined;
}

const remember =
  (type: TypeOf): PropertyDecorator =>
  (target, property) => {
    const properties = nested.get(target) ?? new Map<string, TypeOf>();
    nested.set(target, properties.set(String(property), type));
  };

/** One input of another class. That it is an object at all is looked at where it is checked. */
export const IsOne = (type: TypeOf): PropertyDecorator =>
  applyDecorators(
    IsA('isOne', (value) => !Array.isArray(value), 'must be an object'),
    remember(type),
  );

/** A list of inputs of another class. */
export const IsListOf = (type: TypeOf, { least = 0, most }: { least?: number; most: number }) =>
  applyDecorators(IsArray(), ArrayMinSize(least), ArrayMaxSize(most), remember(type));
