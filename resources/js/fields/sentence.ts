import { createContext } from 'react';

/**
 * Fields that stand inside of a sentence or on a drawing: no wider than what is in them, their names for screen readers only.
 * What is wrong with one on a drawing is told at the same field in the list.
 */
export const InSentence = createContext<false | 'sentence' | 'drawing'>(false);
