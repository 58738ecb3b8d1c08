/**
 * Checks plain JSON against an input class, level by level: first that an object has no properties but the class's,
 * then each property's rules, then what is nested in it. Nothing unknown is ever looked into, so neither its depth
 * nor its names (`__proto__`, `constructor` …) matter. The rules are compiled once from class-validator's metadata
 * into plain functions; class-validator itself is asked only to say in words what is wrong.
 */
import 'reflect-metadata';
import { getMetadataStorage, validateSync } from 'class-validator';
import { pointerTo, type FieldProblem } from '../http/problem';
import { nestedType, type ClassConstructor } from './nested';

type Path = readonly (string | number)[];
type Keeps = (value: unknown, object: object) => boolean;

interface Property {
  readonly name: string;
  /** The rules hold only if all of these do. */
  readonly conditions: Keeps[];
  readonly rules: Keeps[];
  readonly nested: ClassConstructor | undefined;
}

/** More problems than these help nobody. */
const MOST_PROBLEMS = 50;

const compiled = new Map<ClassConstructor, readonly Property[]>();

/** What is wrong with `value` by the rules of `type`, each with a pointer that starts at `path`; empty if nothing. */
export function problemsWith(type: ClassConstructor, value: unknown, path: Path = []): FieldProblem[] {
  const problems: FieldProblem[] = [];
  check(type, value, path, problems);
  return problems;
}

function check(type: ClassConstructor, value: unknown, path: Path, problems: FieldProblem[]): void {
  if (problems.length >= MOST_PROBLEMS) return;
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    problems.push({ pointer: pointerTo(path), detail: 'must be an object' });
    return;
  }
  const properties = propertiesOf(type);
  for (const key of Object.keys(value))
    if (!properties.some(({ name }) => name === key))
      problems.push({ pointer: pointerTo([...path, key]), detail: 'is not a property that is known here' });
  for (const property of properties) {
    const of = Object.hasOwn(value, property.name)
      ? (value as Record<string, unknown>)[property.name]
      : undefined;
    if (!property.conditions.every((holds) => holds(of, value))) continue;
    if (!property.rules.every((keeps) => keeps(of, value)))
      problems.push({
        pointer: pointerTo([...path, property.name]),
        detail: explain(type, property, of),
      });
    else if (property.nested) checkNested(property.nested, of, [...path, property.name], problems);
  }
}

function checkNested(type: ClassConstructor, value: unknown, path: Path, problems: FieldProblem[]): void {
  if (!Array.isArray(value)) return check(type, value, path, problems);
  for (const [index, item] of value.entries()) check(type, item, [...path, index], problems);
}

/** What class-validator says of one property that does not keep its rules. */
function explain(type: ClassConstructor, { name }: Property, value: unknown): string {
  const instance = Object.assign(new type(), { [name]: value });
  const errors = validateSync(instance, { stopAtFirstError: true });
  const [detail] = Object.values(errors.find(({ property }) => property === name)?.constraints ?? {});
  return detail ?? 'is not as it must be';
}

function propertiesOf(type: ClassConstructor): readonly Property[] {
  let properties = compiled.get(type);
  if (!properties) compiled.set(type, (properties = compile(type)));
  return properties;
}

function compile(type: ClassConstructor): Property[] {
  const storage = getMetadataStorage();
  const properties = new Map<string, Property>();
  for (const rule of storage.getTargetValidationMetadatas(type, '', false, false)) {
    const name = rule.propertyName;
    let property = properties.get(name);
    if (!property) {
      property = { name, conditions: [], rules: [], nested: nestedType(type, name) };
      properties.set(name, property);
    }
    if (rule.type === 'conditionalValidation') {
      const [condition] = rule.constraints as [(object: object, value: unknown) => boolean];
      property.conditions.push((value, object) => condition(object, value));
    } else if (rule.type === 'customValidation') {
      for (const { instance } of storage.getTargetValidatorConstraints(rule.constraintCls)) {
        const { constraints } = rule;
        property.rules.push(
          (value, object) =>
            instance.validate(value, {
              value,
              object,
              constraints,
              property: name,
              targetName: type.name,
            }) === true,
        );
      }
    } else throw new Error(`The rule '${rule.type}' of ${type.name}.${name} cannot be compiled.`);
  }
  return [...properties.values()];
}
