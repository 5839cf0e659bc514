// One import a file: the package's index would bring every icon into the page.
export { default as ArrowLeftRight } from 'lucide-react-native/dist/esm/icons/arrow-left-right';
export { default as ArrowRight } from 'lucide-react-native/dist/esm/icons/arrow-right';
export { default as ChevronLeft } from 'lucide-react-native/dist/esm/icons/chevron-left';
export { default as Download } from 'lucide-react-native/dist/esm/icons/download';
export { default as FileUp } from 'lucide-react-native/dist/esm/icons/file-up';
export { default as Layers } from 'lucide-react-native/dist/esm/icons/layers';
export { default as List } from 'lucide-react-native/dist/esm/icons/list';
export { default as Pencil } from 'lucide-react-native/dist/esm/icons/pencil';
export { default as Plus } from 'lucide-react-native/dist/esm/icons/plus';
export { default as ScrollText } from 'lucide-react-native/dist/esm/icons/scroll-text';
export { default as Settings2 } from 'lucide-react-native/dist/esm/icons/settings-2';
export { default as Undo2 } from 'lucide-react-native/dist/esm/icons/undo-2';
export { default as TriangleAlert } from 'lucide-react-native/dist/esm/icons/triangle-alert';
export { default as ChevronRight } from 'lucide-react-native/dist/esm/icons/chevron-right';
export { default as Move } from 'lucide-react-native/dist/esm/icons/move';
export { default as Share2 } from 'lucide-react-native/dist/esm/icons/share-2';
export { default as Printer } from 'lucide-react-native/dist/esm/icons/printer';
