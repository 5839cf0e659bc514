// Signs that no page shows before one is opened: they come with those.
export { default as ArrowLeftRight } from 'lucide-react-native/dist/esm/icons/arrow-left-right';
export { default as ArrowRight } from 'lucide-react-native/dist/esm/icons/arrow-right';
export { default as Download } from 'lucide-react-native/dist/esm/icons/download';
export { default as Pencil } from 'lucide-react-native/dist/esm/icons/pencil';
export { default as Undo2 } from 'lucide-react-native/dist/esm/icons/undo-2';
export { default as Move } from 'lucide-react-native/dist/esm/icons/move';
export { default as Share2 } from 'lucide-react-native/dist/esm/icons/share-2';
export { default as Printer } from 'lucide-react-native/dist/esm/icons/printer';
export { default as Cable } from 'lucide-react-native/dist/esm/icons/cable';
export { default as Gauge } from 'lucide-react-native/dist/esm/icons/gauge';
export { default as FoldVertical } from 'lucide-react-native/dist/esm/icons/fold-vertical';
export { default as ZoomIn } from 'lucide-react-native/dist/esm/icons/zoom-in';
export { default as ZoomOut } from 'lucide-react-native/dist/esm/icons/zoom-out';
export { default as Pause } from 'lucide-react-native/dist/esm/icons/pause';
export { default as Play } from 'lucide-react-native/dist/esm/icons/play';
export { default as SkipBack } from 'lucide-react-native/dist/esm/icons/skip-back';
export { default as SkipForward } from 'lucide-react-native/dist/esm/icons/skip-forward';
