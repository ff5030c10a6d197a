import type { EditorView } from '@codemirror/view';
import { useSyncExternalStore } from 'react';
import { createPortal } from 'react-dom';
import { GatherBlock } from '../gather/GatherBlock';
import { FrontMatterLine } from './reading/FrontMatterLine';
import type { PortalRegistry } from './look/block-decorations';

interface PortalsProps {
  registry: PortalRegistry;
  path: string;
  view: () => EditorView | null;
}

/** Fills the places that the editor keeps free. */
export function Portals({ registry, path, view }: PortalsProps) {
  const portals = useSyncExternalStore(registry.listen, registry.list);
  const edit = (container: HTMLElement): void => {
    const open = view();
    if (!open) return;
    open.focus();
    const { doc } = open.state;
    // The first line of the block opens it: what is edited stands below.
    const fence = doc.lineAt(open.posAtDOM(container)).number;
    open.dispatch({ selection: { anchor: doc.line(Math.min(fence + 1, doc.lines)).from }, scrollIntoView: true });
  };
  return portals.map((portal, index) =>
    createPortal(
      portal.is === 'gather' ? (
        <GatherBlock text={portal.text} at={path} index={portal.index} onEdit={() => edit(portal.container)} />
      ) : (
        <FrontMatterLine text={portal.text} onEdit={() => edit(portal.container)} />
      ),
      portal.container,
      `${portal.is} ${index}`,
    ),
  );
}
