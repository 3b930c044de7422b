// What lies over a page: none opens with it, and they share most of their code, so that it comes in one piece.
export { DropPanelContent } from './DropPanelContent';
export { ModalContent } from './ModalContent';
export { ToastList } from './ToastList';
export { Tooltip } from './Tooltip';
