import { createContext } from 'react';

/** Fields that stand inside of a sentence: no wider than what is in them, their names for screen readers only. */
export const InSentence = createContext(false);
