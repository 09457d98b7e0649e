/** The rail of a job: each station with its state, a press away. It comes behind the screen's own code. */
import { late } from '../../ui/late';
import { RailComing } from './RailComing';

export const Rail = late(() => import('./RailStops').then((code) => code.RailStops), RailComing);
void Rail.load();
