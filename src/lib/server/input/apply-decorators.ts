/** One decorator that applies several. */
export const applyDecorators =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, property) => {
    for (const decorate of decorators) decorate(target, property);
  };
