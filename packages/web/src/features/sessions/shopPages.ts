/** The pages of the shop itself, with who may open them. */
import type { Permission } from '@low-quarry/core/model';

type ShopPage = { readonly to: string; readonly label: string; readonly what: string; readonly permission: Permission };

export const SHOP_PAGES: readonly ShopPage[] = [
  { to: '/history', label: 'History and undo', what: 'who changed what, and taking it back', permission: 'read' },
  { to: '/bin', label: 'Bin', what: 'what was deleted and can come back', permission: 'read' },
  { to: '/me', label: 'My sign-in', what: 'PIN, password, this device', permission: 'self' },
  { to: '/people', label: 'People', what: 'who works here, and what they may do', permission: 'people' },
  { to: '/settings', label: 'Settings', what: 'clearances, instruments, costs, ways of working', permission: 'read' },
  {
    to: '/backups',
    label: 'Backups and files',
    what: 'nightly backups, restoring, the shop as open files',
    permission: 'backup',
  },
  {
    to: '/work',
    label: 'Server work',
    what: 'what the server does by itself, and whether it went well',
    permission: 'readBackups',
  },
];
