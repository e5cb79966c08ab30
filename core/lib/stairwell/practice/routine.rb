# frozen_string_literal: true

module Stairwell
  module Practice
    # An ordered list of stages, for whom it is, and why it goes that way.
    Routine =
      Stairwell.value(:key, :name, :for_whom, :stages, why: "") do
        # @return [Stage, nil]
        def stage(key) = stages.find { |one| one.key == key }

        # @return [Hash{Symbol => Integer}] by stage, how many others stand below it at the most: 0
        #   for one that waits for none
        def levels
          found = {}
          level = ->(key) do
            found[key] ||= (stage(key)&.waits.to_a - [key]).map { |one| level[one] + 1 }.max || 0
          end
          stages.to_h { |one| [one.key, level[one.key]] }
        end

        # @param choices [Choices]
        # @param easier [Symbol] the hand that has less to do in this piece
        # @return [Routine] as it is with what the teacher chose
        def chosen(choices, easier: :right)
          first = { easier: easier, harder: (easier == :right) ? :left : :right }.fetch(
            choices.hand_order,
            choices.hand_order
          )
          gone =
            stages
              .select do |one|
                (one.aspect == :memory && !choices.memory) ||
                  (one.aspect == :pedal && choices.pedal == :none) ||
                  (one.aspect == :articulation && choices.articulation_by == :student) ||
                  (one.aspect == :dynamics && choices.dynamics_by == :student)
              end
              .map(&:key)
          with_hand_first(first)
            .without(gone)
            .pedal_at(choices.pedal)
            .in_order(choices.order)
            .textured(choices.texture)
        end

        # @param texture [Symbol] of {Choices::TEXTURES}
        # @return [Routine] whose left hand plays its shapes as blocked chords, where it's to
        def textured(texture)
          return self if texture == :as_printed

          with(stages: stages.map { |stage| stage.plays_left? ? stage.with_left_blocked : stage })
        end

        # @param order [Symbol] :right or :left, the hand that comes first
        # @return [Routine] with the hands-alone stages in that order
        def with_hand_first(order)
          right, left = stage(:right), stage(:left)
          return self unless right && left && together?(right, left)

          first, second = (order == :left) ? [left, right] : [right, left]
          both = [right.key, left.key]
          waits, everywhere =
            (right.after + left.after) - both,
            (right.everywhere + left.everywhere)
          alone = [
            first.with(after: waits, everywhere: everywhere - both),
            second.with(
              after: [first.key],
              everywhere: (everywhere - both) + ((everywhere & both).any? ? [first.key] : [])
            )
          ]
          at = stages.index { |one| [right, left].include?(one) }
          rest = stages - [right, left]
          with(stages: rest.first(at) + alone + rest.drop(at))
        end

        # Takes stages out; what waited for them waits for what they waited for.
        # @param gone [Array<Symbol>]
        # @return [Routine]
        def without(gone)
          return self if gone.empty?

          through = ->(keys) do
            keys.flat_map { |key| gone.include?(key) ? through[stage(key).waits] : [key] }.uniq
          end
          with(
            stages:
              stages
                .reject { |one| gone.include?(one.key) }
                .map do |one|
                  one.with(
                    needs: through[one.needs],
                    after: through[one.after] - through[one.needs],
                    everywhere: through[one.everywhere],
                    earlier: through[one.earlier] - [one.key]
                  )
                end
          )
        end

        # @param place [Symbol] :last leaves the pedal where the routine has it
        # @return [Routine] with the pedal before the dynamics
        def pedal_at(place)
          pedal, dynamics =
            stages.find { |one| one.aspect == :pedal },
            stages.find { |one| one.aspect == :dynamics }
          return self unless place == :before_dynamics && pedal && dynamics

          moved = pedal.with(needs: dynamics.needs, after: dynamics.after)
          others =
            without([pedal.key]).stages.map do |one|
              (one.key == dynamics.key) ? one.with(needs: [pedal.key], after: []) : one
            end
          at = others.index { |one| one.key == dynamics.key }
          with(stages: others.first(at) + [moved] + others.drop(at))
        end

        # The stages of one sitting, in the order the teacher likes: each comes
        # after the one before.
        # @param keys [Array<Symbol>]
        # @return [Routine]
        def in_order(keys)
          keys &= sitting
          return self if keys.size < 2

          chain =
            keys.each_with_index.map do |key, at|
              stage(key).with(after: at.zero? ? [] : [keys[at - 1]])
            end
          rest =
            stages
              .reject { |one| keys.include?(one.key) }
              .map do |one|
                ((one.after & keys).any? || (one.needs & keys).any?) ? last_of(one, keys) : one
              end
          with(stages: chain + rest)
        end

        # @return [Array<Symbol>] stages that follow each other in one sitting and
        #   whose order is the teacher's
        def sitting
          head = stages.find { |one| one.scope == :section && one.needs.empty? && one.after.empty? }
          found = [head&.key].compact
          while (
                  following =
                    stages.find do |one|
                      one.scope == :section && one.needs.empty? && one.after == [found.last] &&
                        one.aspect != :tempo
                    end
                )
            found << following.key
          end
          found
        end

        private

        # Whether two stages follow each other in one sitting, with no other stage
        # that waits for one of them before the other begins.
        def together?(one, other)
          keys = [one.key, other.key]
          (one.waits + other.waits - keys).none? { |key| (behind(key) & keys).any? }
        end

        # @return [Array<Symbol>] what a stage waits for, directly or not
        def behind(key, seen = [])
          (stage(key)&.waits.to_a - seen).inject(seen) do |found, other|
            found.include?(other) ? found : behind(other, found | [other])
          end
        end

        def last_of(one, keys)
          one.with(
            after: (one.after & keys).any? ? (one.after - keys) | [keys.last] : one.after,
            needs: (one.needs & keys).any? ? (one.needs - keys) | [keys.last] : one.needs
          )
        end
      end
  end
end
