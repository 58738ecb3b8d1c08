<!-- @component Between what stands side by side in boxes: it must not be heard as one word. -->
<span class="sr-only">,&nbsp;</span>
