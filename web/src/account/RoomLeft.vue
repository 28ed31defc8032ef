<script setup lang="ts">
import { ref } from 'vue'
import { api, got, type Keeping } from '@/api/client'
import { useNotices } from '@/lib/notices'

/** How much is kept here, of how much that may be. */
const notices = useNotices()
const rooms = ref<Keeping[]>([])
got(api.GET('/api/me/room')).then(
  (found) => (rooms.value = found.filter((one) => one.there)),
  notices.fail,
)
</script>

<template>
  <section class="panel p-5" aria-labelledby="room">
    <h2 id="room" class="mb-2 text-base">What is kept here</h2>
    <p v-if="!rooms.length" class="text-soft">Nothing yet.</p>
    <table v-else class="w-full text-sm">
      <tbody>
        <tr v-for="one in rooms" :key="one.what" class="border-t border-line first:border-0">
          <th scope="row" class="py-1 text-left font-normal">{{ one.what }}</th>
          <td class="py-1 text-right" :class="one.nearly_full && 'font-bold'">
            {{ one.there.toLocaleString('en') }}
          </td>
          <td class="py-1 pl-2 text-right text-soft">of {{ one.most.toLocaleString('en') }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
