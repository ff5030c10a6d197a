import { DESK_VALUE } from '../../../store/desk/linked-desk';
import type { StepValues } from '../folder/step-state';

export const DESK: StepValues = { value: DESK_VALUE, state: 'desk state', wish: 'desk wish', settings: 'desk settings' };
