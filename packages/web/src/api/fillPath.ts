/** The path with its parameters filled in; what it does not name follows as the query. */
export function fillPath(path: string, params: Readonly<Record<string, unknown>>): string {
  const named = new Set<string>();
  const filled = path.replace(/:(\w+)/g, (_, name: string) => {
    named.add(name);
    return encodeURIComponent(String(params[name] ?? ''));
  });
  const others = Object.entries(params).filter(([name, value]) => !named.has(name) && value != null && value !== '');
  return others.length === 0
    ? filled
    : `${filled}?${new URLSearchParams(others.map(([name, value]) => [name, String(value)]))}`;
}
