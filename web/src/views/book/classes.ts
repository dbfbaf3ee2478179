import type { Schemas } from '../../lib/api/client';

/** The classes of bake, in the order of the Book. */
export const CLASSES: Schemas['Technique'][] = [
  'separated chiffon',
  'chiffon sheet for a roll',
  'génoise',
  'génoise, cold method',
  'separated sponge',
  'whites in a rich chocolate and nut base',
  'whites in a creamed batter',
  'flourless souffléd sheet',
  'soaked sponge',
  'ladyfingers',
  'meringue',
  'macaron shells',
  'cooked-yolk mousse',
  'two-batter patterned cake',
  'ladyfinger-lined cake',
];
