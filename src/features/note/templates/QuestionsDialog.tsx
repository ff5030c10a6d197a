import { useState } from 'react';
import { Dialog } from '../../../ui/Dialog';
import { QuestionFields } from './QuestionFields';

interface QuestionsDialogProps {
  title: string;
  questions: readonly string[];
  onDone: (answers: ReadonlyMap<string, string>) => void;
  onClose: () => void;
}

/** What a template asks, in one small form. */
export function QuestionsDialog({ title, questions, onDone, onClose }: QuestionsDialogProps) {
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>({});
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onDone(new Map(questions.map((question) => [question, answers[question] ?? ''])));
        }}
      >
        <QuestionFields questions={questions} answers={answers} onAnswers={setAnswers} first />
        <button type="submit" className="solid-button justify-self-start">
          Put it in
        </button>
      </form>
    </Dialog>
  );
}
