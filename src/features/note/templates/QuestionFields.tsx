import { Labelled } from '../../../ui/form/Labelled';

interface QuestionFieldsProps {
  questions: readonly string[];
  answers: Readonly<Record<string, string>>;
  onAnswers: (answers: Readonly<Record<string, string>>) => void;
  /** Whether the first field takes the focus. */
  first?: boolean;
}

/** A field for each question of a template; what is left empty is nothing said. */
export function QuestionFields({ questions, answers, onAnswers, first = false }: QuestionFieldsProps) {
  return questions.map((question, index) => (
    <Labelled key={question} label={question.charAt(0).toUpperCase() + question.slice(1)}>
      <input
        className="field"
        autoFocus={first && index === 0}
        value={answers[question] ?? ''}
        onChange={(event) => onAnswers({ ...answers, [question]: event.target.value })}
      />
    </Labelled>
  ));
}
