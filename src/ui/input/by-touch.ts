/** Whether the page is used by touch first: keys are not shown then, and what needs a pointer that hovers has another way. */
export const BY_TOUCH = typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches;
