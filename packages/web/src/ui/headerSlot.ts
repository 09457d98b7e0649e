/** What the header of every screen holds beside the switches: given by whoever knows who is signed in. */
import { createContext, type ReactNode } from 'react';

export const HeaderSlot = createContext<ReactNode>(null);
