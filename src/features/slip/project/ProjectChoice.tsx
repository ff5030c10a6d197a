import { Labelled } from '../../../ui/form/Labelled';

/** What is said of a small project that a slip becomes. */
export interface Project {
  outcome: string;
  deadline: string;
}

export const NEW_PROJECT: Project = { outcome: '', deadline: '' };

interface ProjectChoiceProps {
  title: string;
  /** Null while it is to be one task with steps. */
  project: Project | null;
  onChange: (project: Project | null) => void;
}

/** Words with steps under them: one task, or a small project with what is true when it is done, and by when. */
export function ProjectChoice({ title, project, onChange }: ProjectChoiceProps) {
  const choice = (words: string, checked: boolean, next: Project | null) => (
    <label className="flex items-center gap-1.5">
      <input type="radio" name="project" checked={checked} onChange={() => onChange(next)} />
      {words}
    </label>
  );
  return (
    <fieldset className="grid gap-2 rounded-md bg-raised p-2.5">
      <legend className="sr-only">What becomes of “{title}”</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {choice('One task with steps', project === null, null)}
        {choice('A project note', project !== null, project ?? NEW_PROJECT)}
      </div>
      {project && (
        <div className="grid gap-2 sm:grid-cols-[1fr_11rem]">
          <Labelled label="What is true when it is done">
            <input className="field" value={project.outcome} onChange={(event) => onChange({ ...project, outcome: event.target.value })} />
          </Labelled>
          <Labelled label="By when">
            <input
              className="field"
              placeholder="18 dec"
              value={project.deadline}
              onChange={(event) => onChange({ ...project, deadline: event.target.value })}
            />
          </Labelled>
        </div>
      )}
    </fieldset>
  );
}
