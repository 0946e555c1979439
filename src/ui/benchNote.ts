/** What stands above the sentence of every bench: given by the frame, because it is about the night, not about a bench. */
import { createContext, type ReactNode } from 'react';

export const BenchNote = createContext<ReactNode>(null);
