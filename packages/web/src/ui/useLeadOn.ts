import { useLocation, useNavigate } from 'react-router';

/** Leads on once something is done; whoever went elsewhere meanwhile is not called back. */
export function useLeadOn(): (to: string) => void {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  return (to) => {
    // The next screen may still be on its way, and this one still shown.
    if (window.location.pathname === pathname) void navigate(to);
  };
}
