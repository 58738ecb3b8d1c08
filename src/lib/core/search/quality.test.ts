/**
 * Whether the one that is meant comes first, by the model of how people type in `testing/search-model` (its sources stand
 * there). A small fixed part of `bench/search-quality`, with floors that fail when a kind of match is lost.
 */
import { describe, expect, it } from 'vitest';
import { catalogueOfItems, searchOf, SYSTEMS } from '../../../../testing/search-model/contestants';
import { judge, questionsOf, weighed, type Tally } from '../../../../testing/search-model/judging';
import { live } from '../../../../testing/search-model/people';
import { SHARES } from '../../../../testing/search-model/queries';
import { floorOf, lettersUntilFirst, usedItems } from '../../../../testing/search-model/until-first';

const SIZE = 300;
/** On none of these were weights chosen. */
const SEEDS = [51, 52, 53, 54];

const judged = (name: string) => {
  const tallies = new Map<string, Tally>();
  for (const seed of SEEDS) {
    const questions = questionsOf(SIZE, seed, 25);
    judge((SYSTEMS[name] as (typeof SYSTEMS)[string])(questions.items), questions, tallies);
  }
  return tallies;
};
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

describe('the one meant', () => {
  const tallies = judged('Key Fold');

  it.each([...SHARES.keys()])('comes first by %s as often as lots could make it, nearly', (kind) => {
    const { n, first, amongThree, nothing, byLot } = tallies.get(kind) as Tally;
    expect(n).toBeGreaterThan(40);
    expect(first / n).toBeGreaterThan(byLot / n - 0.15);
    expect(amongThree / n).toBeGreaterThan(0.8);
    expect(nothing / n).toBeLessThan(0.15);
  });

  it('comes first oftener than lots could make it, and than fuzzysort does (npm)', () => {
    const first = weighed(tallies, 'first');
    expect(first).toBeGreaterThan(weighed(tallies, 'byLot'));
    expect(first).toBeGreaterThan(weighed(judged('fuzzysort'), 'first') + 0.05);
    expect(weighed(tallies, 'amongThree')).toBeGreaterThan(0.98);
    expect(weighed(tallies, 'nothing')).toBeLessThan(0.005);
    expect(weighed(tallies, 'unrelatedAbove')).toBeLessThan(0.025);
  });

  it.each([30, 300])('comes first of %i after hardly more letters than if recency were all', (size) => {
    const { items, positions, meant } = usedItems(size, SEEDS[0] ?? 0, 100);
    const find = searchOf(catalogueOfItems(items, positions));
    const letters = mean(meant.map((item) => lettersUntilFirst((typed) => find(typed, ''), item)));
    const floor = mean(meant.map((item) => lettersUntilFirst(floorOf(items, positions), item)));
    expect(letters).toBeLessThan(floor * 1.15);
  });
});

describe('simulated people, half of whose letters change their meaning midway', () => {
  const PEOPLE = Array.from({ length: 10 }, (_, n) => 500 + n);
  const fared = PEOPLE.map((seed) => live(seed, SIZE));
  const without = PEOPLE.map((seed) => live(seed, SIZE, (learned) => [...learned]));

  it('find first what they mean far oftener than without learning, after the change too', () => {
    expect(mean(fared.map(({ first }) => first))).toBeGreaterThan(0.72);
    expect(mean(fared.map(({ first }) => first))).toBeGreaterThan(
      mean(without.map(({ first }) => first)) + 0.08,
    );
    expect(mean(fared.map(({ firstAfterChange }) => firstAfterChange))).toBeGreaterThan(
      mean(without.map(({ firstAfterChange }) => firstAfterChange)) + 0.04,
    );
  });

  it('seldom find it lower because of it', () => {
    expect(mean(fared.map(({ harmed }) => harmed))).toBeLessThan(0.07);
    expect(mean(without.map(({ harmed }) => harmed))).toBe(0);
  });
});
