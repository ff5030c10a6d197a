import { soleLink } from '../../../core/note/names/sole-link';
import { useAsked } from '../../session/asked/use-asked';
import { ProgressBar } from './ProgressBar';
import { useProject } from './use-project';

/** Behind a task whose words are one link to a project: how far that is. */
export function ProjectProgress({ text, from }: { text: string; from: string }) {
  const target = soleLink(text);
  const path = useAsked('resolve', target === null ? null : { target, from }) ?? null;
  const project = useProject(path);
  if (!project || project.all === 0) return null;
  return (
    <span className="ms-2 inline-flex items-center gap-1.5 text-[0.86rem] text-muted" title="How far the project is">
      <ProgressBar done={project.done} all={project.all} />
      {project.done} of {project.all}
    </span>
  );
}
