/** Whether keys belong to a field, or to a menu that is open, and not to the place around it. */
export const typingIn = (target: EventTarget | null): boolean => {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('[role="menu"]')) return true;
  if (target instanceof HTMLInputElement) return !/^(checkbox|radio|range|button)$/.test(target.type);
  return target.isContentEditable || /^(TEXTAREA|SELECT)$/.test(target.tagName);
};
