import 'reflect-metadata';
import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import { pointerTo, type FieldProblem } from '../http/problem';

type Path = readonly (string | number)[];

/** What is wrong with `value` by the rules of `type`, each with a pointer that starts at `path`; empty if nothing. */
export function problemsWith(
  type: ClassConstructor<object>,
  value: unknown,
  path: Path = [],
): FieldProblem[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return [{ pointer: pointerTo(path), detail: 'must be an object' }];
  const errors = validateSync(plainToInstance(type, value), {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    stopAtFirstError: true,
  });
  return errors.flatMap((error) => flatten(error, path));
}

function flatten(error: ValidationError, path: Path): FieldProblem[] {
  const at = [...path, error.property];
  const own = Object.values(error.constraints ?? {}).map((detail) => ({ pointer: pointerTo(at), detail }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, at))];
}
