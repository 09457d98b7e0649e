/** What was refused, each by its place in what was sent. */
import type { FieldProblem } from './problemFields';

export function ProblemList({ problems }: { readonly problems: readonly FieldProblem[] }) {
  return (
    <ul>
      {problems.map(({ path, message }) => (
        <li key={`${path} ${message}`}>
          <strong>{path}:</strong> {message}
        </li>
      ))}
    </ul>
  );
}
